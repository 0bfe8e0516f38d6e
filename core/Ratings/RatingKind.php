<?php

declare(strict_types=1);

namespace Cairnfield\Core\Ratings;

/**
 * What a customer was asked, with the scale of the answers.
 */
enum RatingKind: string
{
    /** How good was it? 1 to 5. */
    case Stars = 'stars';

    /** Would you recommend us? 0 to 10. */
    case Recommend = 'recommend';

    /** How easy was it? 1 to 7. */
    case Effort = 'effort';

    public function lowest(): int
    {
        return $this === self::Recommend ? 0 : 1;
    }

    public function highest(): int
    {
        return match ($this) {
            self::Stars => 5,
            self::Recommend => 10,
            self::Effort => 7,
        };
    }

    /**
     * The least that counts as good.
     */
    public function goodFrom(): int
    {
        return match ($this) {
            self::Stars => 4,
            self::Recommend => 9,
            self::Effort => 5,
        };
    }
}
