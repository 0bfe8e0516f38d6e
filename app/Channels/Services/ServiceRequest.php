<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\DeliveryFailed;
use App\Channels\OutgoingMessage;

/**
 * Where something is sent at a service, and what.
 */
final readonly class ServiceRequest
{
    /**
     * @param  string  $path  with its ids encoded for a URL
     * @param  array<string, string|null>  $body
     */
    public function __construct(public string $path, public array $body) {}

    /**
     * The thread of what is answered, encoded for a URL.
     *
     * @throws DeliveryFailed when it is not known any more
     */
    public static function thread(OutgoingMessage $message): string
    {
        return rawurlencode($message->thread ?? throw DeliveryFailed::forGood(
            'What this answers is not known to the application any more, so it cannot be sent there.'
        ));
    }

    /**
     * @return array{text: string} with the signature below
     */
    public static function text(OutgoingMessage $message): array
    {
        return ['text' => $message->text.($message->signature === '' ? '' : "\n\n{$message->signature}")];
    }
}
