<?php

declare(strict_types=1);

namespace App\Rules;

use App\Answering\AddNote;
use App\Approvals\AskApproval;
use App\Conversations\Actor;
use App\Conversations\Changes\Chosen;
use App\Conversations\Conversation;
use App\Hours\StoreHours;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Tasks\KeepTasks;
use App\Team\Teammate;
use App\Templates\FillTemplate;

/**
 * Does what a rule says, by the same actions as by hand. Runs in the transaction of the rule's run.
 */
final readonly class DoActions
{
    public function __construct(
        private AddNote $addNote,
        private KeepTasks $tasks,
        private Notify $tell,
        private AnswerByRule $answer,
        private StoreHours $hours,
        private FillTemplate $fill,
        private AskApproval $approvals,
        private GiveBackByRule $giveBack,
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
        $chosen = $action->chosen;
        if ($action->change !== null) {
            $action->change->make($conversation, $chosen, $actor, '');

            return;
        }
        match ($action->kind) {
            ActionKind::Answer, ActionKind::AskRating => $this->answer->answer($rule, $action, $trigger, $key),
            ActionKind::AskApproval => $this->approvals->ask(
                $conversation, $this->filled($chosen->text, $conversation),
                $chosen->value === 'leads' ? null : Teammate::query()->findOrFail($chosen->id()), $actor
            ),
            ActionKind::GiveBack, ActionKind::AskGiveBack => $this->giveBack->give($rule, $action->kind, $chosen, $conversation),
            ActionKind::Note => $this->addNote->byRule(
                $conversation, $this->filled($chosen->text, $conversation), "rule-{$rule->id}-{$key}-{$chosen->text}"
            ),
            ActionKind::Tell => $this->tell($rule, $action, $conversation, $key),
            ActionKind::Task => $this->task($rule, $chosen, $conversation),
            ActionKind::CallHook => $this->callHook($rule, $chosen->id(), $conversation, $key),
            ActionKind::Stop, null => null,
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

    private function tell(Rule $rule, RuleAction $action, Conversation $conversation, string $key): void
    {
        $people = match ($action->chosen->value) {
            'owner' => $conversation->owner === null ? $this->leads() : [$conversation->owner],
            'team' => array_values($conversation->team?->teammates()->where('may_sign_in', true)->get()->all() ?? []),
            'leads' => $this->leads(),
            default => array_values(Teammate::query()->whereKey($action->chosen->id())->get()->all()),
        };
        $this->tell->people(
            $people, NewsKind::RuleTells, substr("r{$rule->id}-{$key}", 0, 40),
            "{$conversation->number()} “{$conversation->subject}”: {$this->filled($action->chosen->text, $conversation)}",
            $conversation->id, $action->byMail
        );
    }

    private function task(Rule $rule, Chosen $chosen, Conversation $conversation): void
    {
        $for = $chosen->value === 'owner'
            ? $conversation->owner ?? $this->leads()[0] ?? null
            : Teammate::query()->find($chosen->id());
        if ($for !== null) {
            $this->tasks->make(
                $conversation, $this->filled($chosen->text, $conversation), $for,
                $this->hours->after(now(), max(1, $chosen->hours)), 60, Teammate::query()->find($rule->teammate_id) ?? $for
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
