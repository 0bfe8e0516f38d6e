<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * What a customer wants to send back, as they wrote it: nobody has looked yet whether they may.
 */
final readonly class WishedReturn
{
    /**
     * @param  int  $reasonId  one of the store's reasons
     * @param  string  $orderNumber  as it was typed
     * @param  string  $goods  one thing a line; may be empty
     */
    public function __construct(public int $reasonId, public string $orderNumber, public string $goods) {}
}
