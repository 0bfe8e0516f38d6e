<?php

declare(strict_types=1);

namespace App\Channels\Shop;

use App\Channels\Account;
use App\Channels\Services\ServiceType;
use App\Orders\TakeShopEvent;

/**
 * Where orders, products and stock come from.
 */
final readonly class Shop extends ServiceType
{
    public function label(): string
    {
        return 'Shop';
    }

    public function description(): string
    {
        return 'Where orders, products and stock come from';
    }

    public function icon(): string
    {
        return 'shop';
    }

    public function bringsMessages(): bool
    {
        return false;
    }

    public function signs(): string
    {
        return 'Shop';
    }

    public function fields(Account $account): array
    {
        $fields = parent::fields($account);

        return ['Getting in' => [...$fields['Getting in'], $this->numberPatterns()]];
    }

    public function looksUpOrders(): bool
    {
        return true;
    }

    public function takesEvents(): string
    {
        return TakeShopEvent::class;
    }
}
