<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\DeliveryFailed;
use App\Channels\MessageSender;
use App\Channels\OutgoingMessage;

/**
 * Brings answers out to networks and marketplaces. The message's key goes along, so that a second
 * try of the same message does nothing new there.
 */
final readonly class ServiceSender implements MessageSender
{
    public function __construct(private ServiceClient $client) {}

    public function deliver(OutgoingMessage $message): ?string
    {
        $type = $message->account->channel->type();
        if (! $type instanceof AnswersItems) {
            throw DeliveryFailed::forGood("{$type->label()} takes no answers.");
        }
        $request = $type->answer($message);
        try {
            $answer = $this->client->send($message->account, 'POST', $request->path, $request->body, $message->onceKey);
        } catch (ServiceFault $fault) {
            throw $fault->isFinal
                ? DeliveryFailed::forGood($fault->getMessage(), $fault)
                : DeliveryFailed::forNow($fault->getMessage(), $fault, $fault->retryAfter);
        }
        $id = $answer['id'] ?? null;

        return is_string($id) && preg_match('/^[\x21-\x7e]{1,191}$/D', $id) === 1 ? $id : null;
    }
}
