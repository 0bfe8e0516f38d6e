<?php

declare(strict_types=1);

namespace Cairnfield\Core\Money;

use Brick\Math\BigDecimal;
use Cairnfield\Core\Input\BadInput;

/**
 * Reads the core's decimal strings: an optional `-`, digits, at most one point with digits on both
 * sides. No exponent, no plus sign, no white space.
 *
 * @internal
 */
final class Decimal
{
    /**
     * @throws BadInput when the text is not such a decimal
     */
    public static function read(string $text, string $at): BigDecimal
    {
        if (preg_match('/^-?[0-9]+(\.[0-9]+)?$/D', $text) !== 1) {
            throw BadInput::expected("a decimal string like '12.50'", $at);
        }

        return BigDecimal::of($text);
    }
}
