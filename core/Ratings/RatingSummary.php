<?php

declare(strict_types=1);

namespace Cairnfield\Core\Ratings;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/**
 * What many ratings say together. Worked out exactly and rounded half up at the end alone; each number is null
 * where nobody has rated.
 */
final readonly class RatingSummary
{
    /** The quantile of the normal distribution for 95 %. */
    private const Z = '1.959964';

    /** Digits of a square root: far more than can change the fourth. */
    private const ROOT_DIGITS = 60;

    private const AVERAGE_DIGITS = 2;

    private const SHARE_DIGITS = 4;

    private const SCORE_DIGITS = 1;

    /**
     * @param  int  $bad  how many from 0 to 6 on the scale of recommending
     */
    private function __construct(public RatingKind $kind, public int $count, private int $sum, private int $good, private int $bad) {}

    /**
     * @param  list<int>  $scores
     *
     * @throws RatingsRefused for a score off the scale
     */
    public static function of(RatingKind $kind, array $scores): self
    {
        foreach ($scores as $index => $score) {
            if ($score < $kind->lowest() || $score > $kind->highest()) {
                throw RatingsRefused::score($kind, "scores[{$index}]");
            }
        }

        return new self(
            $kind,
            count($scores),
            array_sum($scores),
            count(array_filter($scores, static fn (int $score): bool => $score >= $kind->goodFrom())),
            count(array_filter($scores, static fn (int $score): bool => $score <= 6)),
        );
    }

    /**
     * @return string|null with 2 decimals
     */
    public function average(): ?string
    {
        return $this->count === 0 ? null : $this->rounded(BigRational::of($this->sum)->dividedBy($this->count), self::AVERAGE_DIGITS);
    }

    /**
     * The share of those that are good: 4 and 5 stars, 9 and 10, 5 to 7.
     *
     * @return string|null from 0 to 1, with 4 decimals
     */
    public function goodShare(): ?string
    {
        return $this->count === 0 ? null : $this->rounded(BigRational::of($this->good)->dividedBy($this->count), self::SHARE_DIGITS);
    }

    /**
     * 100 times the share of 9 and 10 less that of 0 to 6.
     *
     * @return string|null from -100 to 100, with 1 decimal
     */
    public function recommendScore(): ?string
    {
        return $this->count === 0
            ? null
            : $this->rounded(BigRational::of(100 * ($this->good - $this->bad))->dividedBy($this->count), self::SCORE_DIGITS);
    }

    /**
     * The 95 % interval of the good share (Wilson, 1927).
     *
     * @return array{string, string}|null low and high, from 0 to 1, with 4 decimals
     */
    public function interval(): ?array
    {
        if ($this->count === 0) {
            return null;
        }
        $z = BigDecimal::of(self::Z);
        $square = $z->multipliedBy($z);
        $spread = BigDecimal::of(4 * $this->good * ($this->count - $this->good))->dividedBy(
            $this->count, self::ROOT_DIGITS, RoundingMode::HALF_UP
        );
        $root = $z->multipliedBy($square->plus($spread)->sqrt(self::ROOT_DIGITS));
        $middle = $square->plus(2 * $this->good);
        $whole = $square->plus($this->count)->multipliedBy(2);

        return [
            (string) $middle->minus($root)->dividedBy($whole, self::SHARE_DIGITS, RoundingMode::HALF_UP),
            (string) $middle->plus($root)->dividedBy($whole, self::SHARE_DIGITS, RoundingMode::HALF_UP),
        ];
    }

    private function rounded(BigRational $exact, int $digits): string
    {
        return (string) $exact->toScale($digits, RoundingMode::HALF_UP);
    }
}
