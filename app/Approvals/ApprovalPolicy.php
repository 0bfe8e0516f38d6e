<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use Illuminate\Auth\Access\Response;

/**
 * Who may answer a question, and who may take it back.
 */
final readonly class ApprovalPolicy
{
    public function __construct(private WhoMayRead $whoMayRead) {}

    /**
     * A lead or an administrator; never who asks.
     */
    public function answer(Teammate $teammate, Approval $approval): Response
    {
        if (! $this->whoMayRead->mayReadNumber($teammate->id, $approval->conversation_id)) {
            return Response::denyAsNotFound();
        }

        return $approval->asked_by !== $teammate->id && $teammate->role->approves()
            ? Response::allow()
            : Response::deny('An approval is given by a lead or an administrator who did not ask for it.');
    }

    public function withdraw(Teammate $teammate, Approval $approval): Response
    {
        if (! $this->whoMayRead->mayReadNumber($teammate->id, $approval->conversation_id)) {
            return Response::denyAsNotFound();
        }

        return $approval->asked_by === $teammate->id || $teammate->role->arranges()
            ? Response::allow()
            : Response::deny('A question is withdrawn by whoever asked it, or by a lead.');
    }
}
