<?php

declare(strict_types=1);

namespace App\Rules;

use App\Approvals\AskApproval;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Cause;
use App\Conversations\Journal\CurrentCause;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Rules\Happened\RuleFailed;
use App\Rules\Happened\RuleRan;
use App\Support\Refused;
use App\Team\Role;
use App\Team\Teammate;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Carries a rule out on one event: all that it does and the record of why, in one transaction. What fails is
 * tried again, then reported; other rules go on.
 */
final readonly class CarryOut
{
    /** Seconds until each further try. */
    private const PAUSES = [10, 60, 600];

    private const AT_ONCE = 100;

    public function __construct(
        private DoActions $do,
        private AnswerByRule $answer,
        private RuleTriggers $triggers,
        private Journal $journal,
        private CurrentCause $cause,
        private Notify $tell,
        private AskApproval $approvals,
        private GiveBackByRule $giveBack,
    ) {}

    /**
     * @param  list<array<string, string>>  $actions  those that stand, see the core's Plan
     * @param  list<string>  $because
     * @return bool whether it acted now
     */
    public function rule(Rule $rule, RuleTrigger $trigger, array $actions, array $because): bool
    {
        $run = (new RuleRun)->forceFill([
            'rule_id' => $rule->id, 'conversation_id' => $trigger->conversation->id, 'event_key' => $trigger->key,
            'state' => RuleRun::DONE,
            'because' => $because,
            'actions' => $actions,
            'done' => [],
            'attempts' => 1,
            'error' => null,
            'next_try_at' => null,
            'at' => now(),
        ]);
        if ($trigger->depth >= RunRules::DEEPEST) {
            return $this->stopped($rule, $run);
        }

        return $this->attempt($rule, $run, $trigger);
    }

    /**
     * What failed before and is due.
     */
    public function again(): void
    {
        foreach (
            RuleRun::query()
                ->where('state', RuleRun::RETRY)
                ->where('next_try_at', '<=', now())
                ->with('rule')
                ->orderBy('next_try_at')
                ->limit(self::AT_ONCE)
                ->get() as $run
        ) {
            $trigger = $this->triggers->again($run->event_key, $run->conversation_id);
            if ($trigger === null || ! $run->rule->on) {
                $run->forceFill(['state' => RuleRun::FAILED, 'next_try_at' => null])->save();

                continue;
            }
            $run->forceFill(['attempts' => $run->attempts + 1]);
            $this->attempt($run->rule, $run, $trigger);
        }
    }

    /**
     * A rule whose condition asks for what is not there any more is passed over, and says so.
     */
    public function cannotBeAsked(Rule $rule, string $why): void
    {
        if ($rule->last_error !== $why) {
            $this->report($rule, $why);
        }
    }

    private function attempt(Rule $rule, RuleRun $run, RuleTrigger $trigger): bool
    {
        try {
            DB::transaction(function () use ($rule, $run, $trigger): void {
                $locked = Conversation::query()->lockForUpdate()->findOrFail($trigger->conversation->id);
                $actions = array_map(RuleAction::of(...), $run->actions);
                // First of all: two workers at once act once. Most often all is done as it is said here.
                $run = $run->exists ? $run : RuleRun::store([...$run->getAttributes(), 'done' => array_column($actions, 'label')]);
                $done = $this->cause->during(
                    Cause::rule($rule->id, $rule->name, $rule->version, $trigger->depth + 1),
                    fn (): array => $this->all($rule, $run, $actions, $trigger->with($locked))
                );
                $run->forceFill(['state' => RuleRun::DONE, 'done' => $done, 'error' => null, 'next_try_at' => null])->save();
            });
        } catch (UniqueConstraintViolationException) {
            return false;
        } catch (TooManyAnswers $why) {
            $rule->forceFill(['stopped_at' => now()])->save();
            $this->failed($rule, $run, $why->getMessage(), true);

            return false;
        } catch (Refused $why) {
            // Trying the same again would be refused again.
            $this->failed($rule, $run, $why->getMessage(), true);

            return false;
        } catch (Throwable $defect) {
            report($defect);
            $this->failed($rule, $run, $defect->getMessage(), $run->attempts > count(self::PAUSES));

            return false;
        }

        return true;
    }

    /**
     * @param  list<RuleAction>  $actions
     * @return list<string> what was done, in words
     */
    private function all(Rule $rule, RuleRun $run, array $actions, RuleTrigger $trigger): array
    {
        $this->journal->record(
            $trigger->conversation, new RuleRan(new Named($rule->id, $rule->name)), Actor::application(),
            $run->because === [] ? 'always' : implode(' · ', $run->because)
        );
        $done = [];
        foreach ($actions as $index => $action) {
            // What was done before may have changed it.
            $index === 0 || $trigger->conversation->refresh();
            $whyNot = match (true) {
                $action->change !== null => $action->change->whyNot($trigger->conversation, $action->chosen),
                $action->kind?->answers() === true => $this->answer->whyNot($rule, $trigger, $action->kind === ActionKind::AskRating),
                $action->kind === ActionKind::AskApproval => $this->approvals->whyNot($trigger->conversation),
                $action->kind?->isOfMoney() === true => $this->giveBack->whyNot($rule, $action->chosen, $trigger->conversation),
                default => null,
            };
            if ($whyNot === null) {
                try {
                    $this->do->do($rule, $action, $trigger, $run->event_key);
                } catch (RuleRefused $why) {
                    // Nothing of it was done yet: it is filled before it is sent.
                    $action->goesOnWithout($why) || throw $why;
                    $whyNot = lcfirst(rtrim($why->getMessage(), '.'));
                }
            }
            $done[] = $whyNot === null ? $action->label : "not: {$action->label}, since {$whyNot}";
        }

        return $done;
    }

    private function stopped(Rule $rule, RuleRun $run): bool
    {
        $this->failed(
            $rule, $run,
            'Stopped: rules have woken each other '
                .RunRules::DEEPEST
                .' deep. Try one of them out to see which do, and let one of them run on something else.',
            true
        );

        return false;
    }

    private function failed(Rule $rule, RuleRun $run, string $why, bool $isFinal): void
    {
        $values = [
            'state' => $isFinal ? RuleRun::FAILED : RuleRun::RETRY, 'error' => mb_substr($why, 0, 490),
            'attempts' => $run->attempts,
            'next_try_at' => $isFinal ? null : now()->addSeconds(self::PAUSES[$run->attempts - 1] ?? 600),
        ];
        $isKnown = RuleRun::query()->where('rule_id', $run->rule_id)->where('event_key', $run->event_key)->update($values) > 0;
        if (! $isKnown) {
            RuleRun::query()->insertOrIgnore([[
                'rule_id' => $run->rule_id,
                'conversation_id' => $run->conversation_id,
                'event_key' => $run->event_key,
                'because' => json_encode($run->because, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'actions' => json_encode($run->actions, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'done' => '[]',
                'at' => $run->at,
                ...$values,
            ]]);
        }
        if ($isFinal) {
            $this->cause->during(
                Cause::rule($rule->id, $rule->name, $rule->version, RunRules::DEEPEST),
                fn () => $this->journal->record(
                    $run->conversation()->firstOrFail(), new RuleFailed(new Named($rule->id, $rule->name)), Actor::application(), $why
                )
            );
            $this->report($rule, $why);
        }
    }

    private function report(Rule $rule, string $why): void
    {
        $rule->forceFill(['last_error' => mb_substr($why, 0, 490), 'last_error_at' => now()])->save();
        $people = array_values(
            Teammate::query()->whereIn('role', [Role::Lead, Role::Administrator])->where('may_sign_in', true)->get()->all()
        );
        // Told once an hour, however often it fails.
        $this->tell->people(
            $people, NewsKind::RuleFailed, "rule-{$rule->id}-".now()->format('YmdH'),
            "The rule “{$rule->name}” could not be carried out: {$why}", null
        );
    }
}
