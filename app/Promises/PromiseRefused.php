<?php

declare(strict_types=1);

namespace App\Promises;

use App\Support\Refused;

final class PromiseRefused extends Refused
{
    public static function withoutReason(): self
    {
        return new self('without_reason', 'Write why, in a few words: what was said to the customer.', 'reason');
    }

    public static function agreedInThePast(): self
    {
        return new self('in_the_past', 'Choose a time that is still to come.', 'at');
    }

    public static function hoursGone(string $set): self
    {
        return new self('hours_gone', "The hours by which “{$set}” is measured are not there any more. Choose others.", 'targets');
    }

    public static function isDone(string $number): self
    {
        return new self('is_done', "{$number} is done: nothing falls due in it. Make it open first.");
    }
}
