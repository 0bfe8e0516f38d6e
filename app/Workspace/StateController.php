<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\Actor;
use App\Conversations\ActsOnConversation;
use App\Conversations\CameInBetween;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\Chosen;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Hours\StoreHours;
use App\Sorting\Outcome;
use App\Team\SignedIn;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

final readonly class StateController
{
    use ActsOnConversation;

    public function __construct(private ChangeState $changeState, private Changes $changes, private StoreHours $hours) {}

    public function change(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('hold', $conversation);
        $to = ConversationState::from($request->validate([
            'state' => ['required', Rule::in(['open', 'waiting', 'closed'])],
        ])['state']);
        $actor = Actor::teammate(SignedIn::teammate($request));
        match ($to) {
            ConversationState::Open => $this->changeState->open($conversation, $actor),
            ConversationState::Waiting => $this->changeState->wait($conversation, $actor),
            default => $this->close($conversation, $actor),
        };

        return $this->done($conversation, $to->label().'.');
    }

    public function hold(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('hold', $conversation);
        $teammate = SignedIn::teammate($request);
        $hold = $request->validate([
            'reason' => ['nullable', 'string', 'max:300'],
            'until' => ['nullable', Rule::in(['time', 'hours', 'customer'])],
            'bring_back_at' => ['nullable', 'date_format:Y-m-d\TH:i'],
            'hours' => ['nullable', 'integer', 'min:1', 'max:500'],
        ]);
        $bringBackAt = match ($hold['until'] ?? 'time') {
            'hours' => $this->hours->after(now(), (int) ($hold['hours'] ?? 4)),
            'customer' => null,
            default => isset($hold['bring_back_at']) ? CarbonImmutable::parse($hold['bring_back_at'], $teammate->time_zone)->utc() : null,
        };
        $this->changeState->hold($conversation, Actor::teammate($teammate), (string) ($hold['reason'] ?? ''), $bringBackAt);

        return $this->done($conversation, 'Held.');
    }

    public function resolve(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('resolve', $conversation);
        $chosen = $request->validate([
            'outcome' => ['nullable', 'integer'],
            'seen' => ['required', 'integer'],
        ]);
        try {
            $outcome = isset($chosen['outcome']) ? Outcome::query()->find((int) $chosen['outcome']) : null;
            $this->changeState->resolve($conversation, SignedIn::teammate($request), $outcome, (int) $chosen['seen']);
        } catch (CameInBetween $between) {
            return redirect()->route('conversation', $conversation)->with('problem', 'Not resolved: '.$between->getMessage());
        }

        return $this->done($conversation, 'Resolved.');
    }

    /**
     * A resolved one comes back by itself at a time.
     */
    public function bringBack(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('resolve', $conversation);
        $teammate = SignedIn::teammate($request);
        $at = CarbonImmutable::parse(
            $request->validate(['at' => ['required', 'date_format:Y-m-d\TH:i']])['at'], $teammate->time_zone
        )->utc();
        $this->changeState->bringBackLater($conversation, Actor::teammate($teammate), $at);

        return $this->done($conversation, 'It comes back by itself.');
    }

    public function category(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $chosen = $request->validate(['category' => ['nullable', 'integer']]);
        $this->changes->byHand(
            'set_category', $conversation, new Chosen((string) ($chosen['category'] ?? '')), SignedIn::teammate($request)
        );

        return $this->done($conversation, 'Category changed.');
    }

    private function close(Conversation $conversation, Actor $actor): void
    {
        Gate::authorize('resolve', $conversation);
        $this->changeState->close($conversation, $actor);
    }
}
