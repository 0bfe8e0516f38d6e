<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

/**
 * The two ways rules run: every one that matches, or only the first of the ladder that does.
 */
enum Way: string
{
    case Every = 'every';
    case Ladder = 'ladder';
}
