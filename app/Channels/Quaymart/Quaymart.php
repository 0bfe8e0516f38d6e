<?php

declare(strict_types=1);

namespace App\Channels\Quaymart;

use App\Channels\Account;
use App\Channels\OutgoingMessage;
use App\Channels\Services\AnswersItems;
use App\Channels\Services\PaysBack;
use App\Channels\Services\ReadsItems;
use App\Channels\Services\ServiceRequest;
use App\Channels\Services\ServiceSender;
use App\Channels\Services\ServiceType;

/**
 * Marketplace: everything in threads.
 */
final readonly class Quaymart extends ServiceType implements AnswersItems, PaysBack
{
    public function label(): string
    {
        return 'Quaymart';
    }

    public function description(): string
    {
        return 'Marketplace: everything in threads; answers within two working days, without links or addresses';
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
        return new QuaymartItems;
    }

    public function longestAnswer(): int
    {
        return 2000;
    }

    public function forbidsContactDetails(): bool
    {
        return true;
    }

    public function signs(): string
    {
        return 'Quaymart';
    }

    public function fields(Account $account): array
    {
        $fields = parent::fields($account);

        return ['Getting in' => [...$fields['Getting in'], $this->numberPatterns()]];
    }

    public function answer(OutgoingMessage $message): ServiceRequest
    {
        return new ServiceRequest('/v1/threads/'.ServiceRequest::thread($message).'/entries', ServiceRequest::text($message));
    }
}
