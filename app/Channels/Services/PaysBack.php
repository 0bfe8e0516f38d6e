<?php

declare(strict_types=1);

namespace App\Channels\Services;

/**
 * It holds what customers paid, gives it back when it is asked, tells how that went (`refund.changed`), and keeps a book of it: the
 * payment provider for what the shop sold, a marketplace for what was bought there.
 */
interface PaysBack {}
