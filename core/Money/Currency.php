<?php

declare(strict_types=1);

namespace Cairnfield\Core\Money;

use Cairnfield\Core\Input\BadInput;

/**
 * A currency by its ISO 4217 code, with the number of decimals its smallest unit has (0, 2 or 3).
 *
 * Codes outside the lists below count as having two decimals, as nearly all currencies do.
 */
final readonly class Currency
{
    private const WITHOUT_DECIMALS = [
        'BIF', 'CLP', 'DJF', 'GNF', 'ISK', 'JPY', 'KMF', 'KRW', 'PYG',
        'RWF', 'UGX', 'UYI', 'VND', 'VUV', 'XAF', 'XOF', 'XPF',
    ];

    private const WITH_THREE_DECIMALS = ['BHD', 'IQD', 'JOD', 'KWD', 'LYD', 'OMR', 'TND'];

    private function __construct(public string $code, public int $digits) {}

    /**
     * @throws BadInput when the code is not three capitals
     */
    public static function of(string $code, string $at = 'currency'): self
    {
        if (preg_match('/^[A-Z]{3}$/D', $code) !== 1) {
            throw BadInput::expected('a currency of three capitals (ISO 4217)', $at);
        }

        return new self($code, match (true) {
            in_array($code, self::WITHOUT_DECIMALS, true) => 0,
            in_array($code, self::WITH_THREE_DECIMALS, true) => 3,
            default => 2,
        });
    }
}
