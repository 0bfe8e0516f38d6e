<?php

declare(strict_types=1);

namespace App\Returns;

use App\Customers\CustomerGroup;
use App\Hours\Calendars;
use App\Orders\Order;
use App\Support\StoreSettings;
use App\Team\SignedIn;
use App\Templates\Template;
use App\Views\SharedWith;
use Closure;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/**
 * What holds for returns: the store's reasons, the policies of each, and how soon the bench does its steps.
 */
final readonly class PoliciesController
{
    private const HERE = '/return-policies';

    private const VERSIONS = 30;

    public function __construct(
        private SaveReturnPolicy $save, private ArrangeReasons $reasons, private StoreSettings $settings, private Calendars $calendars
    ) {}

    public function index(): View
    {
        return view('returns.policies', [
            'reasons' => ReturnReason::inUse()
                ->with(['policies' => static fn ($policies) => $policies->whereNull('retired_at')->orderBy('id'),
                    'policies.group'])->get(),
            'retired' => ReturnReason::query()->whereNotNull('retired_at')->orderBy('name')->get(),
            'calendars' => $this->calendars->all(), 'calendar' => ReturnSettings::calendarId(),
            'templates' => Template::query()->whereNull('retired_at')->where('shared_with', SharedWith::Everybody)->orderBy('name')
                ->pluck('name', 'id'),
        ]);
    }

    public function create(ReturnReason $reason): View
    {
        return $this->form($reason, (new ReturnPolicy)->forceFill([
            'marketplace' => null, 'group_id' => null, 'product_words' => '', 'terms' => (new ReturnTerms)->toArray(), 'version' => 0,
        ]));
    }

    public function show(ReturnPolicy $policy): View
    {
        return $this->form($policy->reason, $policy);
    }

    public function store(Request $request, ReturnReason $reason): RedirectResponse
    {
        return $this->keep($request, null, $reason);
    }

    public function update(Request $request, ReturnPolicy $policy): RedirectResponse
    {
        return $this->keep($request, $policy, $policy->reason);
    }

    public function retire(ReturnPolicy $policy): RedirectResponse
    {
        $this->save->retire($policy, true);

        return redirect(self::HERE)->with('done', 'It is retired: returns that began with it keep it.');
    }

    public function addReason(Request $request): RedirectResponse
    {
        return $this->attempt(fn () => $this->reasons->save(null, $this->name($request)), 'The reason can be chosen now.');
    }

    public function renameReason(Request $request, ReturnReason $reason): RedirectResponse
    {
        return $this->attempt(fn () => $this->reasons->save($reason, $this->name($request)), 'Saved.');
    }

    public function retireReason(ReturnReason $reason): RedirectResponse
    {
        return $this->attempt(
            fn () => $this->reasons->retire($reason, true), "“{$reason->name}” is retired: nobody is offered it, and what has it keeps it."
        );
    }

    public function bringBackReason(ReturnReason $reason): RedirectResponse
    {
        return $this->attempt(fn () => $this->reasons->retire($reason, false), "“{$reason->name}” can be chosen again.");
    }

    /**
     * How soon the bench does its steps, by whose hours.
     */
    public function bench(Request $request): RedirectResponse
    {
        $hours = ['required', 'integer', 'between:1,400'];
        $written = $request->validate([
            'calendar' => ['nullable', 'integer', Rule::in($this->calendars->all()->keys()->all())],
            'stuck' => ['required', 'integer', 'between:1,90'],
            'decide' => $hours, 'inspect' => $hours, 'settle' => $hours,
            'told' => ['array:'.implode(',', array_keys(ReturnSettings::TOLD))],
            'told.*' => ['nullable', 'integer', Rule::exists('templates', 'id')->whereNull('retired_at')],
        ]);
        $this->settings->put(ReturnSettings::NAME, [
            'calendar' => ($written['calendar'] ?? '') === '' ? null : (int) $written['calendar'], 'stuck' => (int) $written['stuck'],
            'told' => array_map(intval(...), array_filter($written['told'] ?? [])),
            'hours' => array_map(intval(...), array_intersect_key($written, ReturnSettings::USUAL_HOURS)),
        ]);

        return redirect(self::HERE)->with('done', 'Saved. What waits already keeps the time it was promised for.');
    }

    private function keep(Request $request, ?ReturnPolicy $policy, ReturnReason $reason): RedirectResponse
    {
        $version = (int) $request->validate(['version' => ['required', 'integer', 'min:0']])['version'];
        $kept = $this->save->save($policy, $reason, PolicyToSave::of($request), $version, SignedIn::teammate($request));

        return redirect(self::HERE)
            ->with('done', "“{$reason->name}” is saved, version {$kept->version}. Returns that have begun keep theirs.");
    }

    private function form(ReturnReason $reason, ReturnPolicy $policy): View
    {
        return view('returns.policy', [
            'reason' => $reason, 'policy' => $policy, 'terms' => $policy->agreed(),
            'groups' => CustomerGroup::query()->orderBy('name')->get(),
            'marketplaces' => Order::query()->whereNotNull('marketplace')->distinct()->orderBy('marketplace')->pluck('marketplace'),
            'versions' => $policy->exists
                ? $policy->versions()->with('teammate')->orderByDesc('version')->limit(self::VERSIONS)->get()
                : collect(),
        ]);
    }

    /**
     * @param  Closure(): mixed  $change
     */
    private function attempt(Closure $change, string $done): RedirectResponse
    {
        $change();

        return redirect(self::HERE)->with('done', $done);
    }

    private function name(Request $request): string
    {
        return trim($request->validate(['name' => ['required', 'string', 'max:80']])['name']);
    }
}
