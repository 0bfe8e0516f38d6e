<?php

declare(strict_types=1);

namespace App\Templates;

use App\Answering\Recipients;
use App\Checklists\Checklist;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Fields\About;
use App\Fields\FieldRefused;
use App\Fields\OwnField;
use App\Nudges\NudgePlan;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Queue\Priority;

/**
 * One thing that goes along with an answer. Written as its kind and a value: `tag` and `festival`, `then` and
 * `resolved:3`, `hold` and `16|the workshop looks at it`, `field` and `serial|K-2041`.
 */
final readonly class Step
{
    public const MOST_HOURS = 2000;

    private function __construct(public StepKind $kind, public string $value, public string $label) {}

    /**
     * Checked against what there is: what it names is there and can be used.
     *
     * @throws TemplateProblem
     */
    public static function of(string $do, string $value): self
    {
        $kind = StepKind::tryFrom($do) ?? throw TemplateProblem::noStep($do);
        $value = trim($value);
        $gone = static fn (string $what): TemplateProblem => TemplateProblem::stepWithout($kind->label(), $what);
        [$first, $rest] = [...explode($kind === StepKind::Then ? ':' : '|', $value, 2), ''];
        $label = match ($kind) {
            StepKind::Then => 'state '.self::state($first, $rest, $gone),
            StepKind::Hold => self::hold($first, trim($rest), $gone),
            StepKind::Category => 'category '.(
                Category::inUse()->find((int) $value)->path ?? throw $gone('that category is not there any more.')
            ),
            StepKind::Priority => 'priority '.(Priority::tryFrom($value) ?? throw $gone('there are low, normal, high and urgent.'))->value,
            StepKind::Owner => match ($value) {
                'me' => 'owner: who sends it',
                '' => 'owner: nobody',
                'turn' => 'owner: whoever’s turn it is',
                'lead' => 'owner: the lead on duty',
                default => 'owner '.(
                    Teammate::query()
                        ->where('may_sign_in', true)
                        ->find((int) $value)
                        ->name ?? throw $gone('that person is not there any more.')
                ),
            },
            StepKind::Team => 'team '.(Team::query()->find((int) $value)->name ?? throw $gone('that team is not there any more.')),
            StepKind::Tag,
            StepKind::Untag => ($kind === StepKind::Tag ? 'tag ' : 'without tag ').(
                $value !== '' && mb_strlen($value) <= 60 ? "“{$value}”" : throw $gone('write the tag’s name, of at most 60 letters.')
            ),
            StepKind::Field => self::field($first, $rest, $gone),
            StepKind::Checklist => 'checklist “'.(
                Checklist::inUse()->find((int) $value)->name ?? throw $gone('that checklist is not there any more.')
            ).'”',
            StepKind::Nudge => 'nudge plan “'.(
                NudgePlan::inUse()->find((int) $value)->name ?? throw $gone('that nudge plan is not there any more.')
            ).'”',
            StepKind::Cc, StepKind::Bcc => $kind->label().' '.implode(', ', self::recipients($value, $gone)),
        };

        return new self($kind, $value, $label);
    }

    /**
     * @param  array<mixed>  $written  each with `do` and `value`
     * @return list<self> of those that set one value only the last
     *
     * @throws TemplateProblem
     */
    public static function all(array $written): array
    {
        $steps = [];
        foreach ($written as $one) {
            if (! is_array($one) || ! is_string($one['do'] ?? null) || ! is_scalar($one['value'] ?? '')) {
                throw TemplateProblem::noStep(is_string($one) ? $one : (string) json_encode($one));
            }
            $step = self::of($one['do'], (string) ($one['value'] ?? ''));
            $steps[$step->kind->setsOneValue() ? $step->kind->value : "{$step->kind->value}:{$step->value}"] = $step;
        }

        return array_values($steps);
    }

    /**
     * Those that are still possible; what they name may be gone since they were written.
     *
     * @param  array<mixed>  $written
     * @return array{list<self>, list<string>} the steps, and what is no longer possible
     */
    public static function possible(array $written): array
    {
        $steps = $problems = [];
        foreach ($written as $one) {
            try {
                array_push($steps, ...self::all([$one]));
            } catch (TemplateProblem $why) {
                $problems[] = $why->getMessage();
            }
        }

        return [$steps, $problems];
    }

    /**
     * @return array{do: string, value: string}
     */
    public function toArray(): array
    {
        return ['do' => $this->kind->value, 'value' => $this->value];
    }

    /**
     * @return array{int, string} working hours, and why
     */
    public function holdsFor(): array
    {
        [$hours, $why] = [...explode('|', $this->value, 2), ''];

        return [(int) $hours, trim($why)];
    }

    /**
     * @param  callable(string): TemplateProblem  $gone
     */
    private static function state(string $state, string $outcome, callable $gone): string
    {
        return match (ConversationState::tryFrom($state)) {
            ConversationState::Waiting => 'Waiting on customer',
            ConversationState::Open => 'stays Open',
            ConversationState::Resolved => 'Resolved, '.(
                Outcome::inUse()->find((int) $outcome)->name ?? throw $gone('choose the outcome.')
            ),
            default => throw $gone('an answer leaves a conversation waiting, open or resolved.'),
        };
    }

    /**
     * @param  callable(string): TemplateProblem  $gone
     */
    private static function hold(string $hours, string $why, callable $gone): string
    {
        if (! ctype_digit($hours) || (int) $hours < 1 || (int) $hours > self::MOST_HOURS || $why === '') {
            throw $gone('write how many working hours, up to '.self::MOST_HOURS.', and who must act first.');
        }

        return "hold for {$hours} working hours: {$why}";
    }

    /**
     * @param  callable(string): TemplateProblem  $gone
     */
    private static function field(string $word, string $written, callable $gone): string
    {
        $field = OwnField::inUse()
            ->where('about', About::Conversation)
            ->where('word', $word)
            ->first() ?? throw $gone("there is no field “{$word}” of conversations any more.");
        try {
            $field->kind->read($written, $field->choices, $field->name);
        } catch (FieldRefused $why) {
            throw $gone($why->getMessage());
        }

        return "{$field->name}: {$written}";
    }

    /**
     * @param  callable(string): TemplateProblem  $gone
     * @return list<string>
     */
    private static function recipients(string $written, callable $gone): array
    {
        try {
            $recipients = Recipients::read($written);
        } catch (ConversationRefused $why) {
            throw $gone($why->getMessage());
        }

        return $recipients === [] ? throw $gone('write an address.') : $recipients;
    }
}
