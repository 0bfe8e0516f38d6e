<?php

declare(strict_types=1);

namespace App\Channels\Marrowby;

use App\Channels\Account;
use App\Channels\ItemKind;
use App\Channels\OutgoingMessage;
use App\Channels\Services\AnswersItems;
use App\Channels\Services\PaysBack;
use App\Channels\Services\ReadsItems;
use App\Channels\Services\ServiceRequest;
use App\Channels\Services\ServiceSender;
use App\Channels\Services\ServiceType;
use Illuminate\Support\Str;

/**
 * Marketplace: questions, order messages, return requests, ratings.
 */
final readonly class Marrowby extends ServiceType implements AnswersItems, PaysBack
{
    public function label(): string
    {
        return 'Marrowby';
    }

    public function description(): string
    {
        return 'Marketplace: questions, order messages, return requests, ratings; answers within 24 hours';
    }

    public function icon(): string
    {
        return 'stall';
    }

    public function sender(): string
    {
        return ServiceSender::class;
    }

    public function reader(): ReadsItems
    {
        return new MarrowbyItems;
    }

    public function longestAnswer(): int
    {
        return 4000;
    }

    public function signs(): string
    {
        return 'Marrowby';
    }

    public function fields(Account $account): array
    {
        $fields = parent::fields($account);

        return ['Getting in' => [...$fields['Getting in'], $this->numberPatterns()]];
    }

    public function answer(OutgoingMessage $message): ServiceRequest
    {
        // Its threads are named by what they are about: `order:71-4480217`.
        $id = rawurlencode(Str::after(rawurldecode(ServiceRequest::thread($message)), ':'));

        return new ServiceRequest('/v1/'.match ($message->kind) {
            ItemKind::Question => "questions/{$id}/answers",
            ItemKind::ReturnRequest => "returns/{$id}/messages",
            ItemKind::Rating => "ratings/{$id}/answer",
            default => "orders/{$id}/messages",
        }, ServiceRequest::text($message));
    }
}
