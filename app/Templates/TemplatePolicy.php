<?php

declare(strict_types=1);

namespace App\Templates;

use App\Team\Teammate;
use App\Views\SharedWith;
use Illuminate\Auth\Access\Response;

/**
 * Who may change a template.
 */
final class TemplatePolicy
{
    public function change(Teammate $teammate, Template $template): Response
    {
        $may = $template->teammate_id === $teammate->id
            || ($template->shared_with !== SharedWith::Nobody && $teammate->role->arranges());

        return match (true) {
            $may => Response::allow(),
            // Of what they cannot see nobody learns that it is there.
            ! Template::seenBy($teammate)->whereKey($template->id)->exists() => Response::denyAsNotFound(),
            default => Response::deny('Only who made a template, a lead or an administrator changes it.'),
        };
    }
}
