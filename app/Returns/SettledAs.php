<?php

declare(strict_types=1);

namespace App\Returns;

/**
 * What became of a return in the end.
 */
enum SettledAs: string
{
    case Refund = 'refund';
    case Credit = 'credit';
    case Exchange = 'exchange';
    case SentBack = 'sent_back';
    case Nothing = 'nothing';

    public function label(): string
    {
        return match ($this) {
            self::Refund => 'money back',
            self::Credit => 'store credit',
            self::Exchange => 'exchanged',
            self::SentBack => 'sent back to the customer',
            self::Nothing => 'nothing goes back',
        };
    }
}
