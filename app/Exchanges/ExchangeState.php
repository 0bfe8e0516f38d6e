<?php

declare(strict_types=1);

namespace App\Exchanges;

/**
 * Where it stands with what is sent in place of something.
 */
enum ExchangeState: string
{
    /** The shop has not answered yet. */
    case Asked = 'asked';

    case Placed = 'placed';

    /** The shop does not have it: the customer has the choice. */
    case NotThere = 'not_there';

    /** Given up: it is settled in another way. */
    case GivenUp = 'given_up';

    public function label(): string
    {
        return match ($this) {
            self::Asked => 'asked of the shop',
            self::Placed => 'ordered',
            self::NotThere => 'not in stock any more',
            self::GivenUp => 'given up',
        };
    }
}
