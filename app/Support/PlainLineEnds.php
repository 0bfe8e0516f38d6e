<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Foundation\Http\Middleware\TransformsRequest;

/**
 * Browsers send the lines of a text with two characters at their ends. Kept with one, a form that is saved untouched
 * leaves a text as it was.
 */
final class PlainLineEnds extends TransformsRequest
{
    protected function transform($key, $value): mixed
    {
        return is_string($value) ? str_replace("\r\n", "\n", $value) : $value;
    }
}
