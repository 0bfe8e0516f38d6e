<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * How two groups of one number stand beside each other.
 *
 * @internal
 */
enum Joined
{
    /** By a space, hyphen, dot or dash, or by what nobody sees. */
    case Usually;
    /** By other white space, a slash or an underscore. */
    case Widely;
    case OverLines;

    public static function by(string $between): self
    {
        return match (true) {
            strpbrk($between, "\r\n") !== false => self::OverLines,
            preg_match('/^\p{Cf}*'.IbanFinder::JOINER.'?\p{Cf}*$/u', $between) === 1 => self::Usually,
            default => self::Widely,
        };
    }
}
