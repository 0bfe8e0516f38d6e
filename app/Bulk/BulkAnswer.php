<?php

declare(strict_types=1);

namespace App\Bulk;

/**
 * How many customers are answered at once, beside the changes of the catalogue (`Conversations\Changes`).
 */
enum BulkAnswer: string
{
    /** All with one text. */
    case Answer = 'answer';

    /** Each with a template in their language, filled for them. */
    case Template = 'template';
}
