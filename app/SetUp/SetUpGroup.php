<?php

declare(strict_types=1);

namespace App\SetUp;

/**
 * What the pages under Set up are grouped by, in the order in which they are shown.
 */
enum SetUpGroup: string
{
    case Reach = 'How customers reach us';
    case HandedOut = 'How it is handed out';
    case Answered = 'How it is answered';
    case Sorted = 'How it is sorted';
    case Store = 'The store';
}
