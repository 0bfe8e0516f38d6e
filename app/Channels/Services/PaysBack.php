<?php

declare(strict_types=1);

namespace App\Channels\Services;

/**
 * A payment provider: it holds what customers paid, gives it back when it is asked, and keeps a book of it.
 */
interface PaysBack {}
