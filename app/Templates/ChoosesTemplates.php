<?php

declare(strict_types=1);

namespace App\Templates;

use App\Team\Teammate;
use Illuminate\Http\Request;

/**
 * What the controllers of templates share: who asks, and which templates they see and may change.
 */
trait ChoosesTemplates
{
    private function seen(Request $request, int $template): Template
    {
        return Template::seenBy($this->teammate($request))->findOrFail($template);
    }

    private function changeable(Request $request, int $template): Template
    {
        $found = $this->seen($request, $template);
        $found->mayBeChangedBy($this->teammate($request)) || abort(403, 'Only who made a template, a lead or an administrator changes it.');

        return $found;
    }

    private function teammate(Request $request): Teammate
    {
        $teammate = $request->user();

        return $teammate instanceof Teammate ? $teammate : abort(401);
    }
}
