<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;
use App\Channels\Channel;
use App\Orders\TakeCarrierEvent;
use App\Orders\TakeShopEvent;
use App\Receiving\TakeItem;
use Illuminate\Contracts\Container\Container;
use LogicException;

/**
 * Hands an event of a source to what knows its meaning, and leaves a trace where it cannot be taken.
 */
final readonly class TakeEvent
{
    public function __construct(private Container $container) {}

    /**
     * @param  array<array-key, mixed>  $event
     * @param  string  $way  `webhook` or `catch-up`
     * @return array{taken: bool, result?: string, reason?: string}
     */
    public function take(Account $account, array $event, string $way): array
    {
        try {
            return ['taken' => true, 'result' => $this->taker($account->channel)->take($account, $event)];
        } catch (UnreadableEvent $unreadable) {
            $json = json_encode(
                $event,
                JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE | JSON_PARTIAL_OUTPUT_ON_ERROR
            );
            EventTrace::write($account, $way, $unreadable->problem, $unreadable->getMessage(), $json === false ? null : $json);

            return ['taken' => false, 'reason' => $unreadable->getMessage()];
        }
    }

    private function taker(Channel $channel): TakesEvents
    {
        return $this->container->make(match ($channel) {
            Channel::Pennon, Channel::Snapline, Channel::Marrowby, Channel::Quaymart => TakeItem::class,
            Channel::Shop => TakeShopEvent::class,
            Channel::WrenParcel => TakeCarrierEvent::class,
            default => throw new LogicException("{$channel->label()} sends no events."),
        });
    }
}
