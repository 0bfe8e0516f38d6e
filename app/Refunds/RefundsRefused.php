<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Support\Refused;
use Cairnfield\Core\Refunds\RefundRefused as CoreRefusal;

/**
 * Money that cannot be given back like that.
 */
final class RefundsRefused extends Refused
{
    public static function amount(string $written, string $field): self
    {
        return new self('bad_amount', "Write “{$written}” as an amount, such as 4.50.", $field);
    }

    public static function reckoned(CoreRefusal $why): self
    {
        return new self($why->errorCode(), $why->getMessage());
    }

    public static function changedMeanwhile(string $shown, string $now): self
    {
        return new self(
            'changed_meanwhile',
            "The order has changed meanwhile: {$now} would go back now, and not {$shown}. Look at it once more."
        );
    }

    /**
     * @param  string  $why  as `SpendingLimits` says it
     */
    public static function aboveLimit(string $why): self
    {
        return new self('above_limit', ucfirst("{$why}: ask for it."));
    }

    public function isAboveLimit(): bool
    {
        return $this->reason === 'above_limit';
    }

    public static function noReason(): self
    {
        return new self('no_reason', 'Choose why the money goes back.', 'reason');
    }

    public static function unreadableOrder(string $number): self
    {
        return new self('unreadable_order', "The amounts of order {$number} do not add up: look at it in the shop.");
    }

    public static function gaveElsewhere(string $left): self
    {
        return new self(
            'gave_elsewhere', "It cannot be tried again: {$left} is left of that payment, since more has gone back meanwhile."
        );
    }

    public static function partlyGiven(): self
    {
        return new self(
            'partly_given', 'A part of it has gone back. Try the rest again, give it as store credit, or pay it in another way.'
        );
    }

    public static function noOtherWay(): self
    {
        return new self('no_other_way', 'Say how it is paid, such as “by bank transfer, as they asked by telephone”.', 'how');
    }

    public static function samePerson(): self
    {
        return new self('same_person', 'Somebody else has to agree to it: you have proposed it.');
    }

    public static function noNote(): self
    {
        return new self('no_note', 'Say why it is right as it is: whoever looks next asks for it.', 'note');
    }

    public static function notListed(): self
    {
        return new self('not_listed', 'That is no difference any more. Compare with the book once more.');
    }

    public static function hasLeft(): self
    {
        return new self('has_left', 'It is leaving just now, or has left already: it cannot be taken back any more.');
    }

    public static function notStuck(): self
    {
        return new self('not_stuck', 'Nothing of it waits to be tried again.');
    }
}
