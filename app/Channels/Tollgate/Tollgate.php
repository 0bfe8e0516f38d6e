<?php

declare(strict_types=1);

namespace App\Channels\Tollgate;

use App\Channels\Services\PaysBack;
use App\Channels\Services\ServiceType;
use App\Refunds\TakePaymentEvent;

/**
 * The payment provider: it holds what was paid by card, and gives it back.
 */
final readonly class Tollgate extends ServiceType implements PaysBack
{
    public function label(): string
    {
        return 'Tollgate';
    }

    public function description(): string
    {
        return 'The payment provider: gives back what was paid by card';
    }

    public function icon(): string
    {
        return 'card';
    }

    public function bringsMessages(): bool
    {
        return false;
    }

    public function signs(): string
    {
        return 'Tollgate';
    }

    public function takesEvents(): string
    {
        return TakePaymentEvent::class;
    }
}
