<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Team\Teammate;
use Illuminate\Auth\Access\Response;

/**
 * Who may go on with a change of many at once.
 */
final class BulkChangePolicy
{
    public function goOn(Teammate $teammate, BulkChange $bulk): Response
    {
        return $bulk->teammate_id === $teammate->id ? Response::allow() : Response::denyAsNotFound();
    }
}
