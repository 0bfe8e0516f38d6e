<?php

declare(strict_types=1);

namespace App\Channels\Pennon;

use App\Channels\Account;
use App\Channels\ItemKind;
use App\Channels\OutgoingMessage;
use App\Channels\Services\AnswersItems;
use App\Channels\Services\PublicNetwork;
use App\Channels\Services\ReadsItems;
use App\Channels\Services\ServiceRequest;
use App\Channels\Services\ServiceSender;
use App\Channels\Services\ServiceType;

/**
 * Public network: mentions, replies and direct messages.
 */
final readonly class Pennon extends ServiceType implements AnswersItems, PublicNetwork
{
    public function label(): string
    {
        return 'Pennon';
    }

    public function description(): string
    {
        return 'Public network: mentions, replies and direct messages';
    }

    public function icon(): string
    {
        return 'pennant';
    }

    public function sender(): string
    {
        return ServiceSender::class;
    }

    public function reader(): ReadsItems
    {
        return new PennonItems;
    }

    public function longestAnswer(): int
    {
        return 500;
    }

    public function isOpenToStrangers(): bool
    {
        return true;
    }

    public function joinsBySender(): bool
    {
        return true;
    }

    public function signs(): string
    {
        return 'Pennon';
    }

    public function fields(Account $account): array
    {
        return [...parent::fields($account), ...$this->arrivals($account, 'Mentions')];
    }

    public function answer(OutgoingMessage $message): ServiceRequest
    {
        $text = ServiceRequest::text($message);

        return $message->kind === ItemKind::Direct
            ? new ServiceRequest('/v1/directs', ['to' => $message->recipients[0] ?? '', ...$text])
            : new ServiceRequest('/v1/posts', ['in_reply_to' => $message->inReplyTo, ...$text]);
    }

    public function post(string $text): ServiceRequest
    {
        return new ServiceRequest('/v1/posts', ['text' => $text]);
    }

    public function reactions(): array
    {
        return [self::LIKE, self::REPOST];
    }

    public function pathOf(string $outsideId): string
    {
        return '/v1/posts/'.rawurlencode($outsideId);
    }
}
