<?php

declare(strict_types=1);

namespace App\Channels\Snapline;

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
 * Photo network: comments on your photos and direct messages.
 */
final readonly class Snapline extends ServiceType implements AnswersItems, PublicNetwork
{
    public function label(): string
    {
        return 'Snapline';
    }

    public function description(): string
    {
        return 'Photo network: comments on your photos and direct messages';
    }

    public function icon(): string
    {
        return 'photo';
    }

    public function sender(): string
    {
        return ServiceSender::class;
    }

    public function reader(): ReadsItems
    {
        return new SnaplineItems;
    }

    public function longestAnswer(): int
    {
        return 1000;
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
        return 'Snapline';
    }

    public function fields(Account $account): array
    {
        return [...parent::fields($account), ...$this->arrivals($account, 'Comments')];
    }

    public function answer(OutgoingMessage $message): ServiceRequest
    {
        $text = ServiceRequest::text($message);

        return $message->kind === ItemKind::Direct
            ? new ServiceRequest('/v1/talks/'.rawurlencode($message->recipients[0] ?? ''), $text)
            : new ServiceRequest(
                '/v1/photos/'.ServiceRequest::thread($message).'/comments', ['under' => $message->inReplyTo, ...$text]
            );
    }

    public function post(string $text): ServiceRequest
    {
        return new ServiceRequest('/v1/photos', ['caption' => $text]);
    }

    public function reactions(): array
    {
        return [self::LIKE];
    }

    public function pathOf(string $outsideId): string
    {
        return '/v1/comments/'.rawurlencode($outsideId);
    }
}
