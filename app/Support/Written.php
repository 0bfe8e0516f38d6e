<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;

/**
 * What somebody has written into an address or a form, where one text is asked for. Anybody can send a list instead:
 * then nothing was written.
 */
final class Written
{
    public static function text(Request $request, string $name): string
    {
        $written = $request->input($name);

        return is_string($written) ? $written : '';
    }

    /**
     * @return int|null null where no whole number from 0 on is written
     */
    public static function number(Request $request, string $name): ?int
    {
        $written = self::text($request, $name);

        return preg_match('/^\d{1,18}$/D', $written) === 1 ? (int) $written : null;
    }
}
