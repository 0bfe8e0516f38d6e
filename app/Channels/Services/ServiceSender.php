<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Answering\Outbox\OutboxItem;
use App\Channels\Channel;
use App\Channels\DeliveryFailed;
use App\Channels\ItemKind;
use App\Channels\MessageSender;
use App\Conversations\ChannelItem;
use Illuminate\Support\Str;

/**
 * Brings answers out to networks and marketplaces. The message's key goes along, so that a second
 * try of the same message does nothing new there.
 */
final readonly class ServiceSender implements MessageSender
{
    public function __construct(private ServiceClient $client) {}

    public function deliver(OutboxItem $item): ?string
    {
        [$path, $body] = $this->request($item);
        try {
            $answer = $this->client->send($item->account, 'POST', $path, $body, $item->message->once_key);
        } catch (ServiceFault $fault) {
            throw $fault->isFinal
                ? DeliveryFailed::forGood($fault->getMessage(), $fault)
                : DeliveryFailed::forNow($fault->getMessage(), $fault, $fault->retryAfter);
        }
        $id = $answer['id'] ?? null;

        return is_string($id) && preg_match('/^[\x21-\x7e]{1,191}$/D', $id) === 1 ? $id : null;
    }

    /**
     * @return array{string, array<string, string|null>} path and body
     */
    private function request(OutboxItem $item): array
    {
        $message = $item->message;
        $answered = $message->in_reply_to === null ? null : ChannelItem::query()
            ->where('channel', $item->account->channel)
            ->where('outside_id', $message->in_reply_to)
            ->first();
        $to = rawurlencode($item->recipients[0] ?? '');
        $signature = trim((string) $item->account->signature);
        $text = ['text' => $message->text.($signature === '' ? '' : "\n\n{$signature}")];

        return match ($item->account->channel) {
            Channel::Pennon => $message->kind === ItemKind::Direct
                ? ['/v1/directs', ['to' => $item->recipients[0] ?? '', ...$text]]
                : ['/v1/posts', ['in_reply_to' => $message->in_reply_to, ...$text]],
            Channel::Snapline => $message->kind === ItemKind::Direct
                ? ["/v1/talks/{$to}", $text]
                : ['/v1/photos/'.$this->threadOf($answered).'/comments', ['under' => $message->in_reply_to, ...$text]],
            Channel::Marrowby => ['/v1/'.$this->marrowbyPath($message->kind, $this->threadOf($answered)), $text],
            Channel::Quaymart => ['/v1/threads/'.$this->threadOf($answered).'/entries', $text],
            default => throw DeliveryFailed::forGood("{$item->account->channel->label()} takes no answers."),
        };
    }

    private function marrowbyPath(ItemKind $kind, string $thread): string
    {
        $id = rawurlencode(Str::after(rawurldecode($thread), ':'));

        return match ($kind) {
            ItemKind::Question => "questions/{$id}/answers",
            ItemKind::ReturnRequest => "returns/{$id}/messages",
            ItemKind::Rating => "ratings/{$id}/answer",
            default => "orders/{$id}/messages",
        };
    }

    private function threadOf(?ChannelItem $answered): string
    {
        return rawurlencode(
            $answered->thread ?? throw DeliveryFailed::forGood(
                'What this answers is not known to the application any more, so it cannot be sent there.'
            )
        );
    }
}
