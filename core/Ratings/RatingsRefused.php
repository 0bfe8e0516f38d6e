<?php

declare(strict_types=1);

namespace Cairnfield\Core\Ratings;

use Cairnfield\Core\Refusal;

final class RatingsRefused extends Refusal
{
    public static function score(RatingKind $kind, string $at): self
    {
        return new self(
            'bad_score', "A score of the kind '{$kind->value}' is a whole number from {$kind->lowest()} to {$kind->highest()}.", $at
        );
    }
}
