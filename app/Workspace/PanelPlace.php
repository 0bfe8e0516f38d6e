<?php

declare(strict_types=1);

namespace App\Workspace;

/**
 * Where on the page of a conversation a panel stands.
 */
enum PanelPlace
{
    /** Between the trail and the answer: before anything is answered. */
    case AboveAnswer;

    /** Beside the trail, above the customer. */
    case Beside;
}
