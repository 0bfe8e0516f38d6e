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
    public function __construct(private WhoMayRead $whoMayRead, private WhoApproves $who) {}

    /**
     * A lead or an administrator; never who asks.
     */
    public function answer(Teammate $teammate, Approval $approval): Response
    {
        if (! $this->mayRead($teammate, $approval)) {
            return Response::denyAsNotFound();
        }

        return $this->who->may($teammate, $approval)
            ? Response::allow()
            : Response::deny('An approval is given by a lead or an administrator who did not ask for it.');
    }

    /**
     * A question in a conversation is for who reads that; one about an order alone for who answers customers.
     */
    public function view(Teammate $teammate, Approval $approval): Response
    {
        return $this->mayRead($teammate, $approval) ? Response::allow() : Response::denyAsNotFound();
    }

    private function mayRead(Teammate $teammate, Approval $approval): bool
    {
        return $approval->conversation_id === null
            ? $teammate->role->answersCustomers()
            : $this->whoMayRead->mayReadNumber($teammate->id, $approval->conversation_id);
    }

    public function withdraw(Teammate $teammate, Approval $approval): Response
    {
        if (! $this->mayRead($teammate, $approval)) {
            return Response::denyAsNotFound();
        }

        return $approval->asked_by === $teammate->id || $teammate->role->arranges()
            ? Response::allow()
            : Response::deny('A question is withdrawn by whoever asked it, or by a lead.');
    }
}
