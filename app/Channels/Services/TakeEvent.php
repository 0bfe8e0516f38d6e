<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;
use App\Channels\RedactArrival;
use App\Refunds\TakePaymentEvent;
use Illuminate\Contracts\Container\Container;
use LogicException;

/**
 * Hands an event of a source to what knows its meaning, and leaves a trace where it cannot be taken.
 */
final readonly class TakeEvent
{
    /** Of whoever holds payments, whatever else they tell of. */
    private const REFUND = 'refund.changed';

    public function __construct(private Container $container, private TakesItems $items, private RedactArrival $redact) {}

    /**
     * @param  array<array-key, mixed>  $event
     * @param  string  $way  `webhook` or `catch-up`
     * @return array{taken: bool, result?: string, reason?: string}
     */
    public function take(Account $account, array $event, string $way): array
    {
        try {
            return ['taken' => true, 'result' => $this->result($account, $event)];
        } catch (UnreadableEvent $unreadable) {
            $json = json_encode(
                $this->redact->data($event),
                JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE | JSON_PARTIAL_OUTPUT_ON_ERROR
            );
            EventTrace::write($account, $way, $unreadable->problem, $unreadable->getMessage(), $json === false ? null : $json);

            return ['taken' => false, 'reason' => $unreadable->getMessage()];
        }
    }

    /**
     * @param  array<array-key, mixed>  $event
     *
     * @throws UnreadableEvent
     */
    private function result(Account $account, array $event): string
    {
        $type = $account->channel->type();
        if ($type instanceof PaysBack && ($event['type'] ?? null) === self::REFUND) {
            return $this->container->make(TakePaymentEvent::class)->take($account, $event);
        }
        $reader = $type instanceof ServiceType ? $type->reader() : null;
        if ($reader !== null) {
            $received = $reader->read($event);

            return $received === null ? 'ours' : $this->items->takeItem($account, $received);
        }
        $taker = ($type instanceof ServiceType ? $type->takesEvents() : null)
            ?? throw new LogicException("{$type->label()} sends no events.");

        return $this->container->make($taker)->take($account, $event);
    }
}
