<?php

declare(strict_types=1);

namespace App\Nudges;

use App\Answering\AnswerRoutes;
use App\Answering\SendReply;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\Journal\Cause;
use App\Conversations\Journal\CauseKind;
use App\Conversations\Journal\CurrentCause;
use App\Conversations\Message;
use App\Hours\StoreHours;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Sorting\Outcome;
use App\Team\Teammate;
use App\Templates\AnswerFromTemplate;
use App\Templates\FillTemplate;
use App\Templates\Template;
use App\Templates\Unattended;
use App\Workspace\Trail;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Sends the reminders that are due, and ends plans. An answer of the customer, another of ours, or any other state
 * than waiting calls a plan off. Runs every minute; safe to repeat.
 */
final readonly class SendNudges
{
    private const AT_ONCE = 100;

    /** Minutes until each further try of a reminder that failed. */
    private const PAUSES = [10, 60, 600];

    public function __construct(
        private StartNudge $start,
        private SendReply $sendReply,
        private FillTemplate $fill,
        private AnswerRoutes $routes,
        private Trail $trail,
        private StoreHours $hours,
        private ChangeState $changeState,
        private Notify $tell,
        private CurrentCause $cause,
    ) {}

    public function run(): void
    {
        // What has been answered is called off at once, not only when the next reminder is due.
        $answered = Nudge::query()->where('state', Nudge::RUNNING)->whereHas('conversation', static fn ($conversations) => $conversations
            ->where(
                static fn ($any) => $any->where('conversations.state', '!=', ConversationState::Waiting)->orWhereColumn(
                    'conversations.last_customer_message_at', '>', 'nudges.started_at'
                )
            ))
            ->with('conversation')->limit(self::AT_ONCE)->get();
        foreach ($answered as $nudge) {
            $why = $this->whyOff($nudge->conversation, $nudge);
            $why === null ?: $this->start->callOff($nudge, Actor::application(), $why);
        }
        foreach (
            Nudge::query()
                ->where('state', Nudge::RUNNING)
                ->where('next_at', '<=', now())
                ->orderBy('next_at')
                ->limit(self::AT_ONCE)
                ->get() as $nudge
        ) {
            try {
                DB::transaction(fn () => $this->next($nudge->id));
            } catch (ConversationRefused|NudgeRefused $why) {
                $this->giveUp($nudge, $why->getMessage());
            } catch (Throwable $defect) {
                report($defect);
                $this->tryLater($nudge, $defect->getMessage());
            }
        }
    }

    private function tryLater(Nudge $nudge, string $why): void
    {
        $pause = self::PAUSES[$nudge->failures] ?? null;
        $pause === null
            ? $this->giveUp($nudge, $why)
            : $nudge->forceFill(['failures' => $nudge->failures + 1, 'next_at' => now()->addMinutes($pause)])->save();
    }

    /**
     * Somebody must look: the customer hears no more of us by itself.
     */
    private function giveUp(Nudge $nudge, string $why): void
    {
        $this->start->callOff($nudge, Actor::application(), $why);
        $conversation = $nudge->conversation()->with('owner')->firstOrFail();
        $people = $conversation->owner === null ? array_values(Teammate::leads()->all()) : [$conversation->owner];
        $this->tell->people(
            $people, NewsKind::NotSent, "nudge-{$nudge->id}",
            "{$conversation->number()} “{$conversation->subject}”: no more reminders, {$why}", $conversation->id
        );
    }

    private function next(int $id): void
    {
        // In the order of everything else: first the conversation, so that none waits for another in a circle.
        $conversation = Conversation::query()->lockForUpdate()->findOrFail((int) Nudge::query()->whereKey($id)->value('conversation_id'));
        $nudge = Nudge::query()->lockForUpdate()->findOrFail($id);
        if ($nudge->state !== Nudge::RUNNING || $nudge->next_at->isFuture()) {
            return;
        }
        $why = $this->whyOff($conversation, $nudge);
        if ($why !== null) {
            $this->start->callOff($nudge, Actor::application(), $why);

            return;
        }
        if (! $this->hours->isOpen(now())) {
            // Late, or the hours have changed: nobody is reminded at night.
            $nudge->forceFill(['next_at' => $this->hours->opensAt(now()) ?? now()->addDay()])->save();

            return;
        }
        $plan = $nudge->plan()->firstOrFail();
        $step = $plan->steps[$nudge->sent] ?? null;
        $this->cause->during(Cause::of(CauseKind::Nudge, $plan->id, $plan->name), fn () => $this->send(
            $nudge, $plan, $conversation, $step === null ? $plan->end_template_id : $step['template'],
            $step === null ? Outcome::query()->findOrFail($plan->end_outcome_id) : null
        ));
        $nudge->forceFill($step === null
            ? ['state' => Nudge::DONE]
            : [
                'sent' => $nudge->sent + 1, 'failures' => 0,
                'next_at' => $this->hours->openAfterWorkingDays(now(), $plan->daysUntil($nudge->sent + 1)),
            ])->save();
    }

    private function whyOff(Conversation $conversation, Nudge $nudge): ?string
    {
        return match (true) {
            Message::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->where('direction', Message::IN)
                ->where('automatic', false)
                ->where('received_at', '>', $nudge->started_at)
                ->exists() => 'the customer answered',
            $conversation->state !== ConversationState::Waiting => 'it is '.mb_strtolower($conversation->state->label()).' now',
            default => null,
        };
    }

    private function send(Nudge $nudge, NudgePlan $plan, Conversation $conversation, ?int $templateId, ?Outcome $outcome): void
    {
        $template = Template::query()->with(['languages', 'files'])->find((int) $templateId);
        if ($template === null) {
            $outcome === null
                ? throw NudgeRefused::templateGone($plan->name)
                : $this->changeState->resolveUnchecked($conversation, Actor::application(), $outcome);

            return;
        }
        $as = $this->as($nudge, $conversation);
        $route = $this->routes->of($conversation)[0] ?? throw NudgeRefused::noWay();
        $filled = $this->fill->fill($template, $conversation, $as, Unattended::by($route, $conversation));
        if ($filled->gaps !== []) {
            throw NudgeRefused::unfilled($template->name, $filled->gaps[0]->name);
        }
        $route->public && throw NudgeRefused::noWay();
        $this->sendReply->send($conversation, $as, AnswerFromTemplate::of(
            $filled,
            $route->key,
            $outcome === null ? ConversationState::Waiting : ConversationState::Resolved,
            $outcome,
            "nudge-{$nudge->id}-{$nudge->sent}",
            $this->trail->lastSeen($conversation),
            0,
            [],
            true,
        ));
    }

    /**
     * As whom it writes; where they have left the team, the owner or the lead on duty.
     *
     * @throws NudgeRefused
     */
    private function as(Nudge $nudge, Conversation $conversation): Teammate
    {
        $named = $nudge->teammate()->firstOrFail();

        return $named->may_sign_in ? $named : $conversation->owner ?? Teammate::leadOnDuty() ?? throw NudgeRefused::nobody();
    }
}
