<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\Session;

/**
 * What was written into a form that is shown again in the same answer: `old()` gives it on this page, and on no other.
 * What is flashed instead would stand in whatever form is opened next.
 */
final class RefusedInput
{
    public static function showAgain(Request $request): void
    {
        Session::now('_old_input', $request->input());
    }
}
