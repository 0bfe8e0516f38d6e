<?php

declare(strict_types=1);

namespace Cairnfield\Core\Money;

use Cairnfield\Core\Refusal;

final class MoneyRefused extends Refusal
{
    public static function precision(string $amount, Currency $currency, string $at): self
    {
        return new self(
            'currency_precision',
            "'{$amount}' has more decimals than {$currency->code}, which has {$currency->digits}.",
            $at,
        );
    }

    public static function negativeWeight(string $weight, string $at): self
    {
        return new self('negative_weight', "The weight '{$weight}' is negative.", $at);
    }

    public static function noWeights(string $at): self
    {
        return new self('no_weights', 'There is no weight above zero to share by.', $at);
    }
}
