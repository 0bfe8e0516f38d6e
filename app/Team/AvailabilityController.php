<?php

declare(strict_types=1);

namespace App\Team;

use App\Support\LocalTime;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/**
 * Says that somebody is away or here: themselves, or a lead for them.
 */
final readonly class AvailabilityController
{
    public function __construct(private SetAvailability $set, private LocalTime $time) {}

    public function away(Request $request, Teammate $teammate): RedirectResponse
    {
        Gate::authorize('setAway', $teammate);
        $times = $request->validate([
            'from' => ['nullable', 'date_format:Y-m-d\TH:i'], 'until' => ['nullable', 'date_format:Y-m-d\TH:i'],
            'word' => ['nullable', 'string', 'max:40'],
        ]);
        $at = fn (string $name): ?CarbonImmutable => ($times[$name] ?? null) === null
            ? null
            : CarbonImmutable::createFromFormat('Y-m-d\TH:i', $times[$name], $this->time->zone())?->utc();
        $until = $at('until');
        $this->set->away($teammate, $at('from') ?? CarbonImmutable::now(), $until, (string) ($times['word'] ?? ''));
        $who = SignedIn::teammate($request)->is($teammate) ? 'You are' : "{$teammate->firstName()} is";

        // What falls due meanwhile can be handed out, if they like.
        $due = DueMeanwhile::of($teammate, $until)->count();

        return ($due > 0 && $teammate->isAway() ? redirect("/team/{$teammate->id}/meanwhile") : back())->with(
            'done',
            "{$who} away".($until === null ? '' : " until {$this->time->short($until)}").': nothing is given out that way until then.'
        );
    }

    public function say(Request $request, Teammate $teammate): RedirectResponse
    {
        Gate::authorize('setAway', $teammate);
        $said = $request->validate(['availability' => ['required', Rule::in(array_column(Availability::said(), 'value'))]]);
        $availability = Availability::from($said['availability']);
        $this->set->say($teammate, $availability);
        $who = SignedIn::teammate($request)->is($teammate) ? 'You are' : "{$teammate->firstName()} is";

        return back()->with('done', "{$who} {$availability->label()}.");
    }

    public function here(Request $request, Teammate $teammate): RedirectResponse
    {
        Gate::authorize('setAway', $teammate);
        $this->set->here($teammate);

        return back()->with('done', SignedIn::teammate($request)->is($teammate) ? 'You are here.' : "{$teammate->firstName()} is here.");
    }
}
