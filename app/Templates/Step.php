<?php

declare(strict_types=1);

namespace App\Templates;

use App\Answering\Recipients;
use App\Conversations\Changes\Change;
use App\Conversations\Changes\ChangeRefused;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\ChangeUse;
use App\Conversations\Changes\Chosen;
use App\Conversations\Changes\Reference;
use App\Conversations\Changes\ThingsInUse;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Sorting\Outcome;

/**
 * One thing that goes along with an answer: a change of the conversation, or something of the answer itself. Written as
 * its key and a value: `add_tag` and `festival`, `then` and `resolved:3`, `hold` and `16|the workshop looks at it`,
 * `set_field` and `serial|K-2041`.
 */
final readonly class Step
{
    /**
     * @param  Change|null  $change  of the catalogue; null where it is of the answer itself
     * @param  AnswerPart|null  $part  of the answer itself; null where it is a change
     */
    private function __construct(
        public string $do, public string $value, public ?Change $change, public ?AnswerPart $part, public string $label
    ) {}

    /**
     * Checked against what there is: what it names is there and can be used.
     *
     * @throws TemplateProblem
     */
    public static function of(string $do, string $value): self
    {
        $value = trim($value);
        $change = app(Changes::class)->find($do, ChangeUse::Step);
        if ($change !== null) {
            $chosen = self::chosenFor($change, $value);
            try {
                $words = $change->check($chosen, new ThingsInUse, ChangeUse::Step);
            } catch (ChangeRefused $why) {
                throw TemplateProblem::stepWithout(ucfirst($change->phrase()), $why->getMessage());
            }

            return new self($do, $value, $change, null, $change->briefly($chosen, $words));
        }
        $part = AnswerPart::tryFrom($do) ?? throw TemplateProblem::noStep($do);
        $gone = static fn (string $what): TemplateProblem => TemplateProblem::stepWithout($part->label(), $what);
        [$first, $rest] = [...explode($part === AnswerPart::Then ? ':' : '|', $value, 2), ''];
        $label = match ($part) {
            AnswerPart::Then => 'state '.self::state($first, $rest, $gone),
            AnswerPart::Hold => self::hold($first, trim($rest), $gone),
            AnswerPart::Cc, AnswerPart::Bcc => $part->label().' '.implode(', ', self::recipients($value, $gone)),
        };

        return new self($do, $value, null, $part, $label);
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
            $steps[$step->setsOneValue() ? $step->do : "{$step->do}:{$step->value}"] = $step;
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
     * What it needs to be there, also where that is gone already.
     *
     * @return list<Reference>
     */
    public static function referencesOf(string $do, string $value): array
    {
        $change = app(Changes::class)->find($do, ChangeUse::Step);

        return $change?->references(self::chosenFor($change, $value)) ?? (
            $do === AnswerPart::Then->value ? Reference::toNumber(Outcome::class, explode(':', $value)[1] ?? '') : []
        );
    }

    public function chosen(): Chosen
    {
        return $this->change === null ? new Chosen($this->value) : self::chosenFor($this->change, $this->value);
    }

    /**
     * Whether a second one takes the place of the first.
     */
    public function setsOneValue(): bool
    {
        return $this->change?->setsOneValue() ?? $this->part?->setsOneValue() ?? false;
    }

    /**
     * Whether what is written beside a choice belongs to it.
     *
     * @param  string  $value  what was chosen
     */
    public static function takesText(string $do, string $value): bool
    {
        $change = app(Changes::class)->find($do, ChangeUse::Step);

        return $change?->takesText($value) ?? in_array(
            AnswerPart::tryFrom($do), [AnswerPart::Hold, AnswerPart::Cc, AnswerPart::Bcc], true
        );
    }

    /**
     * @return array{do: string, value: string}
     */
    public function toArray(): array
    {
        return ['do' => $this->do, 'value' => $this->value];
    }

    private static function chosenFor(Change $change, string $value): Chosen
    {
        [$chosen, $text] = match (true) {
            ! $change->hasChoices() => ['', $value],
            $change->text() !== null => [...explode('|', $value, 2), ''],
            default => [$value, ''],
        };

        return new Chosen(trim($chosen), trim($text));
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
        if (! ctype_digit($hours) || (int) $hours < 1 || (int) $hours > Chosen::MOST_HOURS || $why === '') {
            throw $gone('write how many working hours, up to '.Chosen::MOST_HOURS.', and who must act first.');
        }

        return "hold for {$hours} working hours: {$why}";
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
