<?php

declare(strict_types=1);

namespace App\Returns;

use App\Support\Refused;

/**
 * A step of a return, or a change of what holds for returns, that is not possible as things stand.
 */
final class ReturnRefused extends Refused
{
    public static function nothingChosen(): self
    {
        return new self('nothing_chosen', 'Choose what comes back.', 'lines');
    }

    public static function notOrdered(string $order): self
    {
        return new self('not_ordered', "That is not part of order {$order}.", 'lines');
    }

    public static function tooMany(string $title, int $left): self
    {
        return new self(
            'too_many', $left < 1
                ? "{$title}: all of it has come back, or is part of another return."
                : "{$title}: {$left} can still come back, since others have, or are part of another return.", 'lines'
        );
    }

    public static function manyUnits(int $most): self
    {
        return new self('many_units', "One return is of {$most} units at most. Make two of it.", 'lines');
    }

    public static function noReason(): self
    {
        return new self('no_reason', 'Choose why it comes back.', 'reason');
    }

    public static function noPolicy(string $reason): self
    {
        return new self(
            'no_policy', "There is no policy for “{$reason}”. A lead says under Set up, Return policies, what holds for it.", 'reason'
        );
    }

    public static function tooLate(string $lastDay): self
    {
        return new self(
            'too_late', "It could come back until {$lastDay}. Tick “all the same” where it is taken as goodwill.", 'despite'
        );
    }

    public static function notFrom(string $number, ReturnState $is, ReturnState $to): self
    {
        return new self('not_from_there', "{$number} is {$is->label()} by now, and cannot become {$to->label()}. Look at it once more.");
    }

    public static function noWhy(): self
    {
        return new self('no_why', 'Say why it is declined: the customer asks for it.', 'why');
    }

    public static function notGraded(string $title): self
    {
        return new self('not_graded', "Say of each unit how it was found: {$title} is left.", 'units');
    }

    public static function labelTaken(string $number, string $other): self
    {
        return new self('label_taken', "{$number} is the label of {$other}.", 'number');
    }

    public static function badLabel(string $number): self
    {
        return new self('bad_label', "“{$number}” is no number of a parcel: letters and digits, 4 to 60 of them.", 'number');
    }

    public static function noPhoto(string $what): self
    {
        return new self('no_photo', "{$what} is no picture that is kept here: PNG, JPEG or WebP, of 12 MB at most.", 'photos');
    }

    public static function manyPhotos(int $most): self
    {
        return new self('many_photos', "A return has {$most} photos at most.", 'photos');
    }

    public static function unknownCode(string $code): self
    {
        return new self(
            'unknown_code',
            "“{$code}” belongs to no return. Look the order up by name or number, and take it in from there as “here already”.", 'code'
        );
    }

    public static function moneyIsOut(string $number): self
    {
        return new self('money_is_out', "Money has been given back for {$number}: withdraw that first.");
    }

    public static function nameTaken(string $name): self
    {
        return new self('name_taken', "There is “{$name}” already.", 'name');
    }

    public static function sameScope(string $reason): self
    {
        return new self('same_scope', "There is a policy of “{$reason}” for just that. Change it instead.", 'product_words');
    }

    public static function changedMeanwhile(): self
    {
        return new self('changed_meanwhile',
            'Somebody has changed this policy meanwhile. What you wrote is below: look at both, and save again.');
    }

    public static function badAmount(string $written, string $at): self
    {
        return new self('bad_amount', "“{$written}” cannot be read. Write amounts with their currency, such as 6.50 EUR, 49.00 DKK.", $at);
    }

    public static function badCountry(string $written): self
    {
        return new self('bad_country', "“{$written}” cannot be read. Write countries with their days, such as SE 60, NO 45.", 'longer_in');
    }
}
