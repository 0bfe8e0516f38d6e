<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Channels\Services\EventFields;
use App\Channels\Services\UnreadableEvent;
use Carbon\CarbonImmutable;

/**
 * A refund as the provider tells of it.
 */
final readonly class ToldRefund
{
    private function __construct(
        public string $id, public string $payment, public int $amount, public ?string $reference, public PayoutState $state,
        public ?string $why, public CarbonImmutable $at
    ) {}

    /**
     * @throws UnreadableEvent
     */
    public static function read(EventFields $refund): self
    {
        $state = match ($refund->text('state', 20)) {
            'pending' => PayoutState::Sent,
            'done' => PayoutState::Done,
            'failed' => PayoutState::Failed,
            default => throw UnreadableEvent::field('refund.state', 'pending, done or failed'),
        };

        return new self(
            $refund->id('id'), $refund->id('payment'), $refund->integer('amount', 1), $refund->optionalText('reference', 100), $state,
            $refund->optionalText('reason', 300), $refund->instant('asked_at')
        );
    }
}
