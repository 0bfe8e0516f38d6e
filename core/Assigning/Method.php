<?php

declare(strict_types=1);

namespace Cairnfield\Core\Assigning;

/**
 * By what the next one is given to somebody.
 */
enum Method: string
{
    /** In turns: whoever had none for longest. */
    case Even = 'even';

    /** In turns by weight (smooth weighted round robin): a weight of 2 gets twice as many as a weight of 1. */
    case Weighted = 'weighted';

    /** Whoever has the fewest open. */
    case FewestOpen = 'fewest_open';
}
