<?php

declare(strict_types=1);

namespace App\Rules;

use App\Approvals\AskApproval;
use App\Conversations\Actor;
use App\Conversations\AddNote;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\SetLanguage;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Nudges\NudgePlan;
use App\Nudges\StartNudge;
use App\Promises\StoreHours;
use App\Sorting\Outcome;
use App\Tasks\KeepTasks;
use App\Team\Teammate;
use App\Templates\ApplySteps;
use App\Templates\FillTemplate;

/**
 * Does what a rule says, by the same actions as by hand. Runs in the transaction of the rule's run.
 */
final readonly class DoActions
{
    public function __construct(
        private ApplySteps $steps,
        private ChangeState $changeState,
        private SetLanguage $setLanguage,
        private AddNote $addNote,
        private KeepTasks $tasks,
        private Notify $tell,
        private AnswerByRule $answer,
        private StoreHours $hours,
        private StartNudge $nudges,
        private FillTemplate $fill,
        private AskApproval $approvals,
    ) {}

    /**
     * @param  string  $key  of the event: the same again does nothing twice
     *
     * @throws RuleRefused and whatever the actions refuse
     */
    public function do(Rule $rule, RuleAction $action, RuleTrigger $trigger, string $key): void
    {
        $conversation = $trigger->conversation;
        $actor = Actor::application();
        $id = (int) $action->value;
        $step = $action->step();
        if ($step !== null) {
            $this->steps->one($conversation, $step, $actor, '');

            return;
        }
        match ($action->kind) {
            ActionKind::SetState => $this->state($conversation, $action, $actor),
            ActionKind::SetLanguage => $this->setLanguage->set($conversation, $action->value, $actor),
            ActionKind::Answer, ActionKind::AskRating => $this->answer->answer($rule, $action, $trigger, $key),
            ActionKind::AskApproval => $this->approvals->ask(
                $conversation, $this->filled($action->text, $conversation),
                $action->value === 'leads' ? null : Teammate::query()->findOrFail($id), $actor
            ),
            ActionKind::Note => $this->addNote->byRule(
                $conversation, $this->filled($action->text, $conversation), "rule-{$rule->id}-{$key}-{$action->text}"
            ),
            ActionKind::Tell => $this->tell($rule, $action, $conversation, $key),
            ActionKind::Task => $this->task($rule, $action, $conversation),
            ActionKind::Nudge => $this->nudges->start(
                $conversation, NudgePlan::query()->findOrFail($id), Teammate::query()->findOrFail((int) $action->as), $actor
            ),
            ActionKind::CallHook => $this->callHook($rule, $id, $conversation, $key),
            default => null,
        };
    }

    private function callHook(Rule $rule, int $hook, Conversation $conversation, string $key): void
    {
        CallHook::dispatch($hook, [
            'id' => "{$rule->id}-{$key}",
            'rule' => $rule->name,
            'at' => now()->toIso8601ZuluString(),
            'conversation' => [
                'id' => $conversation->id,
                'number' => $conversation->number(),
                'subject' => $conversation->subject,
                'state' => $conversation->state->value,
                'priority' => $conversation->priority->value,
                'owner' => $conversation->owner?->name,
                'team' => $conversation->team?->name,
                'category' => $conversation->category?->path,
                'tags' => $conversation->tags()->orderBy('folded')->pluck('name')->all(),
            ],
        ])->afterCommit();
    }

    private function state(Conversation $conversation, RuleAction $action, Actor $actor): void
    {
        [$state, $outcome] = [...explode(':', $action->value, 2), ''];
        match (ConversationState::from($state)) {
            ConversationState::Open => $this->changeState->open($conversation, $actor),
            ConversationState::Waiting => $this->changeState->wait($conversation, $actor),
            ConversationState::Held => $this->changeState->hold(
                $conversation, $actor, $action->text, $action->hours === 0 ? null : $this->hours->after(now(), $action->hours)
            ),
            ConversationState::Resolved => $this->resolve($conversation, $actor, (int) $outcome),
            ConversationState::Closed => $this->changeState->close($conversation, $actor),
        };
    }

    private function resolve(Conversation $conversation, Actor $actor, int $outcome): void
    {
        $this->changeState->refuseIfIncomplete($conversation);
        $this->changeState->resolveUnchecked($conversation, $actor, Outcome::query()->findOrFail($outcome));
    }

    private function tell(Rule $rule, RuleAction $action, Conversation $conversation, string $key): void
    {
        $people = match ($action->value) {
            'owner' => $conversation->owner === null ? $this->leads() : [$conversation->owner],
            'team' => array_values($conversation->team?->teammates()->where('may_sign_in', true)->get()->all() ?? []),
            'leads' => $this->leads(),
            default => array_values(Teammate::query()->whereKey((int) $action->value)->get()->all()),
        };
        $this->tell->people(
            $people, NewsKind::RuleTells, substr("r{$rule->id}-{$key}", 0, 40),
            "{$conversation->number()} “{$conversation->subject}”: {$this->filled($action->text, $conversation)}",
            $conversation->id, $action->byMail
        );
    }

    private function task(Rule $rule, RuleAction $action, Conversation $conversation): void
    {
        $for = $action->value === 'owner'
            ? $conversation->owner ?? $this->leads()[0] ?? null
            : Teammate::query()->find((int) $action->value);
        if ($for !== null) {
            $this->tasks->make(
                $conversation, $this->filled($action->text, $conversation), $for,
                $this->hours->after(now(), max(1, $action->hours)), 60, Teammate::query()->find($rule->teammate_id) ?? $for
            );
        }
    }

    /**
     * @return list<Teammate>
     */
    private function leads(): array
    {
        return array_values(Teammate::leads()->all());
    }

    /**
     * For the team, who read English.
     */
    private function filled(string $text, Conversation $conversation): string
    {
        return $this->fill->text($text, 'en', $conversation, null)->text;
    }
}
