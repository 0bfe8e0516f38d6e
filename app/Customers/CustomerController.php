<?php

declare(strict_types=1);

namespace App\Customers;

use App\Channels\SenderHandle;
use App\Companies\Company;
use App\Companies\CompanyProposal;
use App\Conversations\ChannelItem;
use App\Returns\CustomerReturn;
use App\Sorting\WhoMayRead;
use App\StoreCredit\StoreCredit;
use App\Support\Written;
use App\Team\SignedIn;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final readonly class CustomerController
{
    private const ROWS = 50;

    private const SHOWN = 30;

    public function __construct(
        private MergeCustomers $mergeCustomers, private SortIntoGroups $groups, private FindCustomers $find, private WhoMayRead $whoMayRead
    ) {}

    public function index(Request $request): View
    {
        $find = trim(Written::text($request, 'find'));
        $group = Written::number($request, 'group');

        return view('customers.index', [
            'find' => $find,
            'group' => $group,
            'groups' => CustomerGroup::query()->withCount('customers')->orderBy('name')->get(),
            'customers' => $this->found($find, $group),
            'proposalCount' => DuplicateProposal::query()->where('state', DuplicateProposal::PROPOSED)->count(),
        ]);
    }

    public function show(Customer $customer): View|RedirectResponse
    {
        if ($customer->merged_into_id !== null) {
            return redirect()->route('customer', $customer->merged_into_id)->with('done', "{$customer->name} is part of this customer.");
        }
        $customer->load(['handles', 'notes.teammate', 'groups', 'company.responsible']);
        $conversations = $this->whoMayRead->narrow($customer->conversations())
            ->with(['owner', 'account', 'category'])
            ->orderByDesc('last_message_at')
            ->limit(self::SHOWN)
            ->get();

        return view('customers.show', [
            'handleKinds' => Handle::kinds(),
            'companies' => Company::inUse()->get(['id', 'name']),
            'companyProposals' => CompanyProposal::of($customer),
            'customer' => $customer,
            'credits' => StoreCredit::query()->where('customer_id', $customer->id)->with('entries')->orderByDesc('id')->limit(self::SHOWN)
                ->get(),
            'returns' => CustomerReturn::query()->where('customer_id', $customer->id)->with(['lines.orderLine', 'reason'])
                ->orderByDesc('id')
                ->limit(self::SHOWN)->get(),
            'conversations' => $conversations,
            'conversationCount' => $this->whoMayRead->narrow($customer->conversations())->count(),
            'orders' => $customer->orders()->with('payments')->orderByDesc('placed_at')->limit(self::SHOWN)->get(),
            'posts' => ChannelItem::query()
                ->where('public', true)
                ->whereNull('conversation_id')
                ->whereIn('author', $customer->handles->pluck('value'))
                ->with('account')
                ->orderByDesc('posted_at')
                ->limit(10)
                ->get(),
            'proposals' => DuplicateProposal::query()->where('state', DuplicateProposal::PROPOSED)
                ->where(fn ($query) => $query->where('one_id', $customer->id)->orWhere('other_id', $customer->id))
                ->with(['one.handles', 'other.handles'])->orderByDesc('points')->get(),
            'merges' => CustomerMerge::query()
                ->where('kept_id', $customer->id)
                ->whereNull('undone_at')
                ->with(['merged', 'teammate'])
                ->orderByDesc('id')
                ->get(),
        ]);
    }

    public function update(Request $request, Customer $customer): RedirectResponse
    {
        $written = $request->validate([
            'name' => ['required', 'string', 'max:200'],
            'language' => ['nullable', 'string', 'regex:/^[a-z]{2,3}$/'],
            'facts' => ['nullable', 'string', 'max:4000'],
        ]);
        $facts = [];
        foreach (preg_split('/\R/', (string) ($written['facts'] ?? '')) ?: [] as $line) {
            [$name, $value] = array_map(trim(...), [...explode(':', $line, 2), '']);
            if ($name !== '' && $value !== '') {
                $facts[mb_substr($name, 0, 60)] = mb_substr($value, 0, 300);
            }
        }
        $customer->forceFill(['name' => $written['name'], 'language' => $written['language'] ?? null, 'facts' => $facts])->save();
        $this->groups->sort($customer);

        return back()->with('done', 'Saved.');
    }

    public function note(Request $request, Customer $customer): RedirectResponse
    {
        $text = $request->validate(
            ['text' => ['required', 'string', 'max:5000']], ['text.required' => 'The note is empty: write something first.']
        )['text'];
        (new CustomerNote)
            ->forceFill(['customer_id' => $customer->id, 'teammate_id' => SignedIn::teammate($request)->id, 'text' => trim($text)])
            ->save();

        return back()->with('done', 'Noted.');
    }

    public function addHandle(Request $request, Customer $customer, FindOrAddCustomer $customers): RedirectResponse
    {
        $written = $request->validate([
            'kind' => ['required', Rule::in(array_keys(Handle::kinds()))],
            'value' => ['required', 'string', 'max:190'],
        ]);
        $handle = $this->handle($written['kind'], trim($written['value']), $customer->name);
        $owner = $customers->known($handle);
        if ($owner !== null && $owner->id !== $customer->id) {
            throw CustomersRefused::handleTaken($handle->shown, $owner->name);
        }
        $customers->addHandle($customer, $handle, 'added by '.SignedIn::teammate($request)->name);
        FindDuplicates::dispatch($customer->id);

        return back()->with('done', "{$handle->shown} is theirs now.");
    }

    public function merge(Request $request, Customer $customer): RedirectResponse
    {
        $other = Customer::query()->findOrFail(
            (int) $request->validate(['other' => ['required', 'integer', 'exists:customers,id']])['other']
        );
        $this->mergeCustomers->merge($customer, $other, SignedIn::teammate($request));

        return redirect()
            ->route('customer', $customer)
            ->with('done', "{$other->name} is part of {$customer->name} now. It can be undone below.");
    }

    public function undoMerge(Request $request, CustomerMerge $merge): RedirectResponse
    {
        $this->mergeCustomers->undo($merge, SignedIn::teammate($request));

        return redirect()->route('customer', $merge->kept_id)->with('done', 'They are two customers again, each with what was theirs.');
    }

    public function duplicates(): View
    {
        return view('customers.duplicates', [
            'proposals' => DuplicateProposal::query()->where('state', DuplicateProposal::PROPOSED)
                ->with(['one.handles', 'other.handles'])->orderByDesc('points')->orderBy('id')->simplePaginate(30),
        ]);
    }

    public function dismiss(DuplicateProposal $proposal): RedirectResponse
    {
        $proposal->forceFill(['state' => DuplicateProposal::DISMISSED])->save();

        return back()->with('done', 'They stay two. This is not proposed again.');
    }

    private function handle(string $kind, string $value, string $name): SenderHandle
    {
        if ($kind === 'email') {
            return SenderHandle::email($value, $name);
        }
        if ($kind === 'telephone') {
            $number = TelephoneNumber::read($value) ?? throw CustomersRefused::noTelephone($value);

            return SenderHandle::telephone($number->e164, $number->shown, $name);
        }

        return SenderHandle::of($kind, mb_strtolower($value), $value, $name);
    }

    /**
     * By name, any handle, or an order's number.
     *
     * @return Paginator<int, Customer>
     */
    private function found(string $find, ?int $group): Paginator
    {
        return $this->find->query($find)
            ->with(['handles', 'groups', 'company'])
            ->withCount(['orders', 'conversations' => $this->whoMayRead->only(...)])
            ->when($group !== null, fn ($customers) => $customers->whereHas('groups', fn ($groups) => $groups->whereKey($group)))
            ->simplePaginate(self::ROWS)
            ->withQueryString();
    }
}
