<?php

declare(strict_types=1);

namespace Cairnfield\Core\Promises;

/**
 * What a team promises.
 */
enum PromiseKind: string
{
    /** The first answer by a person. */
    case FirstReply = 'first_reply';

    /** The answer to what the customer wrote after that. */
    case NextReply = 'next_reply';

    /** A word in between, while we keep the customer waiting. */
    case Update = 'update';

    /** That the matter is settled. */
    case Resolve = 'resolve';
}
