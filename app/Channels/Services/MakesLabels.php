<?php

declare(strict_types=1);

namespace App\Channels\Services;

/**
 * A carrier that makes the labels with which customers send something back.
 */
interface MakesLabels {}
