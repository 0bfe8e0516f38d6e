<?php

declare(strict_types=1);

namespace App\Channels;

use Carbon\CarbonImmutable;

/**
 * What an outgoing message answers, as it is quoted below it.
 */
final readonly class QuotedMessage
{
    public function __construct(public string $name, public string $text, public CarbonImmutable $at) {}
}
