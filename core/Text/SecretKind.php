<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * What is taken out of a text before it is kept.
 */
enum SecretKind: string
{
    case Card = 'card';
    case Iban = 'iban';

    /**
     * What stands in the text instead.
     */
    public function mark(string $last4): string
    {
        return match ($this) {
            self::Card => "[card …{$last4}]",
            self::Iban => "[IBAN …{$last4}]",
        };
    }
}
