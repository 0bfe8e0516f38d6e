<?php

declare(strict_types=1);

namespace App\Support;

use Throwable;

/**
 * A host that nothing is sent to.
 */
interface HostRefused extends Throwable {}
