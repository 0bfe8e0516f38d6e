<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

/**
 * By what conversations are changed.
 */
enum ChangeUse
{
    /** By itself, when something happens or has lasted. */
    case Rule;

    /** Along with an answer. */
    case Step;

    /** By a person, many at once. */
    case Bulk;

    /** By a person, on the page of the conversation. */
    case Hand;
}
