<?php

declare(strict_types=1);

namespace App\Rules;

use App\Team\Teammate;
use Illuminate\Auth\Access\Response;

/**
 * Who may change a rule: as it says itself.
 */
final class RulePolicy
{
    public function change(Teammate $teammate, Rule $rule): Response
    {
        if ($rule->promise_set_id !== null) {
            return Response::deny('This rule is written with its promise set: change it there.');
        }
        $may = $rule->changed_by === ChangedBy::Leads ? $teammate->role->arranges() : $teammate->role->administers();

        return $may ? Response::allow() : Response::deny("Only {$rule->changed_by->label()} change this rule.");
    }
}
