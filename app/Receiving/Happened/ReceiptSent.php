<?php

declare(strict_types=1);

namespace App\Receiving\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class ReceiptSent extends Payload
{
    public function __construct(public string $to) {}

    public static function kind(): JournalKind
    {
        return JournalKind::ReceiptSent;
    }

    public function sentence(Told $told): string
    {
        return "Receipt with the number sent to {$this->to}";
    }
}
