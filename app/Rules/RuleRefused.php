<?php

declare(strict_types=1);

namespace App\Rules;

use App\Support\ChangedMeanwhile;
use App\Support\Refused;

/**
 * Why a rule cannot be kept or carried out, said to the person who tried it or reads its runs.
 */
final class RuleRefused extends Refused
{
    public static function withoutName(): self
    {
        return new self('without_name', 'A rule needs a name by which it is known on the trail.');
    }

    public static function withoutEvent(): self
    {
        return new self('without_event', 'Choose when it runs.');
    }

    public static function noTimes(): self
    {
        return new self('no_times', 'Choose the days, and the time as 09:00.');
    }

    public static function badHours(int $most): self
    {
        return new self('bad_hours', "Write how many hours, from 1 to {$most}.");
    }

    public static function withoutAction(): self
    {
        return new self('without_action', 'Choose what it does.');
    }

    public static function noAction(string $do): self
    {
        return new self('no_action', "“{$do}” is nothing that a rule can do.");
    }

    public static function action(string $phrase, string $what): self
    {
        return new self('action', ucfirst($phrase).": {$what}");
    }

    /**
     * @param  list<string>  $names
     */
    public static function circle(array $names): self
    {
        $quoted = array_map(static fn (string $name): string => "“{$name}”", $names);

        return new self('circle', count($quoted) === 1
            ? "{$quoted[0]} wakes itself: what it does is one of the things it runs on, and its condition does not stop holding by "
                .'it. Ask in the condition for what it has not done yet.'
            : 'These rules would wake each other in a circle: '.implode(
                ' → ', [...$quoted, $quoted[0]]
            ).'. Let one of them run on something else, or switch one off.');
    }

    public static function unfilled(string $template, string $placeholder): self
    {
        return new self('unfilled',
            "The template “{$template}” needs {{ {$placeholder} }}, of which nothing is known here. Give it something to fall back on."
        );
    }

    public static function notForStrangers(string $template, string $placeholder): self
    {
        return new self('not_for_strangers',
            "The template “{$template}” needs {{ {$placeholder} }}, which is told without a person only at the address or account that the "
                .'order was placed with. Give it something to fall back on, or have somebody answer.'
        );
    }

    public static function noWayToAnswer(): self
    {
        return new self('no_way_to_answer', 'There is no way to answer this conversation without somebody choosing one.');
    }

    public static function changedMeanwhile(?string $who, ?string $what): self
    {
        return new self('changed_meanwhile', ChangedMeanwhile::said($who, $what));
    }

    public static function noOrder(): self
    {
        return new self('no_order', 'No order beside it is known to be theirs.');
    }

    public static function nobodyToAnswerAs(): self
    {
        return new self(
            'nobody_to_answer_as',
            'Neither the person it answers as nor the one in their place is in the team any more. Choose another.'
        );
    }
}
