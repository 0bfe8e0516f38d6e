<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Foundation\Http\Middleware\TransformsRequest;

/**
 * Browsers send the lines of a text with two characters at their ends. Kept with one, a form that is saved untouched
 * leaves a text as it was. What is no UTF-8, as no browser sends it, becomes question marks.
 */
final class PlainText extends TransformsRequest
{
    protected function transform($key, $value): mixed
    {
        return is_string($value)
            ? str_replace("\r\n", "\n", mb_check_encoding($value, 'UTF-8') ? $value : mb_scrub($value, 'UTF-8'))
            : $value;
    }
}
