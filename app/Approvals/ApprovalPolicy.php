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
     * A lead or an administrator; never who asks.
     */
    public function answer(Teammate $teammate, Approval $approval): Response
    {
        return $approval->asked_by !== $teammate->id && $teammate->role->approves()
            ? Response::allow()
            : Response::deny('An approval is given by a lead or an administrator who did not ask for it.');
    }

    public function withdraw(Teammate $teammate, Approval $approval): Response
    {
        return $approval->asked_by === $teammate->id || $teammate->role->arranges()
            ? Response::allow()
            : Response::deny('A question is withdrawn by whoever asked it, or by a lead.');
    }
}
