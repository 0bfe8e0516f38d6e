<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Cairnfield\Core\Input\Fields;
use Cairnfield\Core\Money\Allocation;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Money\MoneyRefused;

final class AllocateMoney implements Calculation
{
    public function help(): string
    {
        return <<<'HELP'
            Shares an amount by weights so that the shares add up to exactly the amount (largest remainder).
              currency  three capitals, ISO 4217
              amount    a decimal string, may be negative: "100.00"
              weights   a list of decimal strings, none negative, not all zero: ["1", "2.5"]
            Result: {"shares": ["28.57", "71.43"]}
            Errors: bad_input, currency_precision, negative_weight, no_weights
            HELP;
    }

    public function reckon(Fields $case): array
    {
        $currency = Currency::of($case->string('currency'));
        $amount = $case->string('amount');
        $weights = $case->strings('weights');
        [$money, $allocation] = $this->inOrderOfErrors($amount, $currency, $weights);

        return ['shares' => array_map(static fn (Money $share): string => $share->toDecimal(), $allocation->share($money))];
    }

    /**
     * A weight that cannot be read comes before an amount with too many decimals, and that before
     * weights that do not add up.
     *
     * @param  list<string>  $weights
     * @return array{Money, Allocation}
     */
    private function inOrderOfErrors(string $amount, Currency $currency, array $weights): array
    {
        try {
            $money = Money::of($amount, $currency);
        } catch (MoneyRefused $imprecise) {
            try {
                Allocation::byWeights($weights);
            } catch (MoneyRefused) {
            }

            throw $imprecise;
        }

        return [$money, Allocation::byWeights($weights)];
    }
}
