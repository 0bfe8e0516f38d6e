<?php

declare(strict_types=1);

namespace App\Views;

use App\Team\Teammate;
use Illuminate\Auth\Access\Response;

/**
 * Who may change a view.
 */
final class SavedViewPolicy
{
    public function change(Teammate $teammate, SavedView $view): Response
    {
        $may = $view->teammate_id === $teammate->id
            || ($view->shared_with !== SharedWith::Nobody && $teammate->role->arranges());

        return match (true) {
            $may => Response::allow(),
            // Of what they cannot see nobody learns that it is there.
            ! SavedView::seenBy($teammate)->whereKey($view->id)->exists() => Response::denyAsNotFound(),
            default => Response::deny('Only who made a view, a lead or an administrator changes it.'),
        };
    }
}
