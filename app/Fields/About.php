<?php

declare(strict_types=1);

namespace App\Fields;

use App\Companies\Company;
use App\Customers\Customer;
use App\Orders\Order;
use Illuminate\Database\Eloquent\Model;

/**
 * What a field of the store's own belongs to.
 */
enum About: string
{
    case Conversation = 'conversation';
    case Customer = 'customer';
    case Order = 'order';
    case Company = 'company';

    public static function of(Model $model): self
    {
        return match (true) {
            $model instanceof Customer => self::Customer,
            $model instanceof Order => self::Order,
            $model instanceof Company => self::Company,
            default => self::Conversation,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::Conversation => 'Conversations',
            self::Customer => 'Customers',
            self::Order => 'Orders',
            self::Company => 'Companies',
        };
    }
}
