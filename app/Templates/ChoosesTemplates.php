<?php

declare(strict_types=1);

namespace App\Templates;

use App\Team\SignedIn;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * What the controllers of templates share: who asks, and which templates they see and may change.
 */
trait ChoosesTemplates
{
    private function seen(Request $request, int $template): Template
    {
        return Template::seenBy(SignedIn::teammate($request))->findOrFail($template);
    }

    private function changeable(Request $request, int $template): Template
    {
        $found = $this->seen($request, $template);
        Gate::authorize('change', $found);

        return $found;
    }
}
