<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Team\Teammate;
use Illuminate\Auth\Access\Response;

/**
 * Who may answer a question, and who may take it back.
 */
final class ApprovalPolicy
{
    /**
     * Whoever was asked, or a lead; never who asks.
     */
    public function answer(Teammate $teammate, Approval $approval): Response
    {
        $may = $approval->asked_by !== $teammate->id && ($approval->asked_of === $teammate->id || $teammate->role->arranges());

        return $may ? Response::allow() : Response::deny('An approval is given by whoever was asked, or by a lead who did not ask.');
    }

    public function withdraw(Teammate $teammate, Approval $approval): Response
    {
        return $approval->asked_by === $teammate->id || $teammate->role->arranges()
            ? Response::allow()
            : Response::deny('A question is withdrawn by whoever asked it, or by a lead.');
    }
}
