<?php

declare(strict_types=1);

namespace App\Companies;

use App\Conditions\References;
use App\Conversations\Changes\Reference;
use App\Conversations\Conversation;
use App\Customers\Customer;
use App\Customers\Handle;
use App\Customers\TelephoneNumber;
use App\Fields\About;
use App\Fields\FieldRefused;
use App\Fields\OwnField;
use App\Fields\OwnFields;
use App\Orders\Order;
use App\Promises\PromiseSet;
use App\Promises\PromiseSets;
use App\Sorting\WhoMayRead;
use App\Support\Written;
use App\Team\SignedIn;
use App\Team\Teammate;
use Cairnfield\Core\Text\Folding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final readonly class CompanyController
{
    private const ROWS = 50;

    private const SHOWN = 30;

    public function __construct(
        private SaveCompany $save, private PutIntoCompany $put, private MergeCompanies $merge, private OwnFields $fields,
        private WhoMayRead $whoMayRead
    ) {}

    public function index(Request $request): View
    {
        $find = trim(Written::text($request, 'find'));
        $begins = addcslashes(Folding::fold($find), '%_\\').'%';

        return view('companies.index', [
            'find' => $find,
            'companies' => Company::inUse()
                ->when($find !== '', static fn ($companies) => $companies->where(static fn ($any) => $any
                    ->where('name_folded', 'like', $begins)
                    ->orWhere('name_folded', 'like', '% '.$begins)
                    ->orWhereHas('domains', static fn ($domains) => $domains->where('domain', 'like', $begins))))
                ->with(['domains', 'responsible'])
                ->withCount(['people', 'proposals'])
                ->simplePaginate(self::ROWS)
                ->withQueryString(),
            'teammates' => $this->teammates(),
        ]);
    }

    public function show(Company $company, PromiseSets $sets): View|RedirectResponse
    {
        if ($company->merged_into_id !== null) {
            return redirect("/companies/{$company->merged_into_id}")->with('done', "{$company->name} is part of this company.");
        }
        $company->load([
            'domains', 'notes.teammate', 'responsible', 'people.handles', 'proposals.customer.handles',
            'people' => fn ($people) => $people->withCount([
                'orders', 'conversations' => $this->whoMayRead->only(...),
            ]),
        ]);
        $conversations = Conversation::readable()->whereIn('customer_id', $company->people->modelKeys());
        $orders = Order::query()->whereIn('customer_id', $company->people->modelKeys());

        return view('companies.show', [
            'company' => $company,
            'conversationCount' => $conversations->count(),
            'conversations' => (clone $conversations)->with(['owner', 'account', 'category', 'customer'])
                ->orderByDesc('last_message_at')->limit(self::SHOWN)->get(),
            'orderCount' => $orders->count(),
            'orders' => (clone $orders)->with('payments')->orderByDesc('placed_at')->limit(self::SHOWN)->get(),
            'sets' => $this->setsFor($company, $sets),
            'fields' => $this->fields->of(About::Company, $company->id),
            'teammates' => $this->teammates(),
            'others' => Company::inUse()->whereKeyNot($company->id)->get(['id', 'name']),
            'merges' => CompanyMerge::query()->where('kept_id', $company->id)->whereNull('undone_at')
                ->with(['merged', 'teammate'])->orderByDesc('id')->get(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $company = $this->save->save(null, ...$this->written($request));

        return redirect("/companies/{$company->id}")->with('done', "{$company->name} is there. Say who is of it.");
    }

    public function update(Request $request, Company $company): RedirectResponse
    {
        $this->save->save($company, ...$this->written($request));

        return back()->with('done', 'Saved.');
    }

    public function destroy(Company $company): RedirectResponse
    {
        $this->save->remove($company);

        return redirect('/companies')->with('done', "{$company->name} is gone.");
    }

    public function note(Request $request, Company $company): RedirectResponse
    {
        $text = $request->validate(
            ['text' => ['required', 'string', 'max:5000']], ['text.required' => 'The note is empty: write something first.']
        )['text'];
        (new CompanyNote)
            ->forceFill(['company_id' => $company->id, 'teammate_id' => SignedIn::teammate($request)->id, 'text' => trim($text)])
            ->save();

        return back()->with('done', 'Noted.');
    }

    public function fields(Request $request, Company $company): RedirectResponse
    {
        $written = $request->validate([
            'fields' => ['required', 'array', 'max:100'],
            'fields.*' => ['nullable'],
            'fields.*.*' => ['nullable', 'string', 'max:5000'],
        ])['fields'];
        $problems = [];
        // What fits is kept, whatever becomes of the rest.
        foreach (OwnField::query()->where('about', About::Company)->whereKey(array_keys($written))->get() as $field) {
            $value = $written[$field->id] ?? null;
            try {
                $this->fields->keep($field, $company->id, is_array($value) ? array_map(strval(...), $value) : (string) $value);
            } catch (FieldRefused $why) {
                $problems[] = $why->getMessage();
            }
        }

        return $problems === [] ? back()->with('done', 'Saved.') : back()->with('problem', implode(' ', $problems));
    }

    public function addPerson(Request $request, Company $company): RedirectResponse
    {
        $written = $request->validate([
            'who' => ['required', 'string', 'max:320'],
            'role' => ['nullable', 'string', 'max:120'],
        ], ['who.required' => 'Write the address or the customer number of somebody.']);
        $customer = $this->person(trim($written['who'])) ?? throw CompanyRefused::nobody($written['who']);
        $this->put->put($customer, $company, $written['role'] ?? null, SignedIn::teammate($request));

        return back()->with('done', "{$customer->name} is of {$company->name}.");
    }

    public function merge(Request $request, Company $company): RedirectResponse
    {
        $other = Company::query()->findOrFail(
            (int) $request->validate(['other' => ['required', 'integer', 'exists:companies,id']])['other']
        );
        $this->merge->merge($company, $other, SignedIn::teammate($request));

        return redirect("/companies/{$company->id}")
            ->with('done', "{$other->name} is part of {$company->name} now. It can be undone below.");
    }

    public function undoMerge(CompanyMerge $companyMerge): RedirectResponse
    {
        $this->merge->undo($companyMerge);

        return redirect("/companies/{$companyMerge->kept_id}")
            ->with('done', 'They are two companies again, each with what was theirs.');
    }

    /**
     * @return array{string, list<string>, list<string>, int|null} name, domains, addresses, who of ours is responsible
     */
    private function written(Request $request): array
    {
        $written = $request->validate([
            'name' => ['required', 'string', 'max:200'],
            'domains' => ['nullable', 'string', 'max:4000'],
            'addresses' => ['nullable', 'string', 'max:8000'],
            'responsible' => ['nullable', 'integer', Rule::exists('teammates', 'id')],
        ]);
        $parts = static fn (string $pattern, string $text): array => array_values(
            array_filter(array_map(trim(...), preg_split($pattern, $text) ?: []), static fn (string $part): bool => $part !== '')
        );

        return [
            $written['name'],
            $parts('/[\s,;]+/', $written['domains'] ?? ''),
            $parts('/\R\s*\R/', $written['addresses'] ?? ''),
            isset($written['responsible']) ? (int) $written['responsible'] : null,
        ];
    }

    private function person(string $who): ?Customer
    {
        if (preg_match('/^\d{1,18}$/D', $who) === 1) {
            return Customer::query()->find((int) $who);
        }

        $values = array_filter([mb_strtolower($who), TelephoneNumber::read($who)?->e164]);

        return Handle::query()->whereIn('value', $values)->orderBy('id')->first()?->customer;
    }

    /**
     * @return list<PromiseSet> those that ask for this company, in their order
     */
    private function setsFor(Company $company, PromiseSets $sets): array
    {
        $meant = Reference::allTo($company);
        $for = [];
        foreach ($sets->inOrder() as [$set, $condition]) {
            foreach (References::of($condition) as $reference) {
                if (array_filter($meant, $reference->equals(...)) !== []) {
                    $for[] = $set;
                    break;
                }
            }
        }

        return $for;
    }

    /**
     * @return list<Teammate>
     */
    private function teammates(): array
    {
        return array_values(Teammate::working()->orderBy('name')->get()->all());
    }
}
