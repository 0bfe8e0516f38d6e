<?php

declare(strict_types=1);

namespace App\Hours;

use App\Support\Refused;

final class HoursNotSaved extends Refused
{
    public static function neverOpens(): self
    {
        return new self(
            'never_opens', 'With these hours it would never open, and no promise could ever fall due. Say when somebody is there on at '
            .'least one day.', 'week.mon'
        );
    }

    public static function changedMeanwhile(string $name): self
    {
        return new self(
            'changed_meanwhile', "Somebody else has changed “{$name}” since you opened it. What you wrote is still here; the hours "
            .'as they are now stand in another tab if you open the page again. Save once more to put yours in their place.', 'name'
        );
    }

    public static function tooManyDays(int $most): self
    {
        return new self(
            'too_many_days', "A calendar holds at most {$most} days that are other than the week. Remove past ones first.", 'file'
        );
    }

    public static function isMain(string $name): self
    {
        return new self('is_main', "“{$name}” is what everything goes by that has no hours of its own. Make another one that first.");
    }

    /**
     * @param  list<string>  $by
     */
    public static function isUsed(string $name, array $by): self
    {
        return new self('is_used', "“{$name}” is needed by ".implode(', ', $by).'. Have them go by other hours first.');
    }

    public static function badFile(string $why): self
    {
        return new self('bad_file', "Nothing was taken from the file: {$why}", 'file');
    }
}
