<?php

declare(strict_types=1);

namespace App\Support;

/**
 * A host that nothing is sent to.
 */
abstract class HostRefused extends Refused {}
