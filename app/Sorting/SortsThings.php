<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\Actor;
use App\Team\SignedIn;
use Closure;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/**
 * What the controllers of this place share: who acts, and saying why something was refused.
 */
trait SortsThings
{
    /**
     * @param  Closure(): mixed  $change
     */
    private function attempt(Closure $change, string $to, string $done): RedirectResponse
    {
        try {
            $change();
        } catch (SortingRefused $why) {
            return back()->withInput()->with('problem', $why->getMessage());
        }

        return redirect($to)->with('done', $done);
    }

    private function actor(Request $request): Actor
    {
        return Actor::teammate(SignedIn::teammate($request));
    }
}
