<?php

declare(strict_types=1);

use Cairnfield\Core\Ratings\RatingKind;
use Cairnfield\Core\Ratings\RatingsRefused;
use Cairnfield\Core\Ratings\RatingSummary;

it('says nothing where nobody has rated', function (): void {
    $none = RatingSummary::of(RatingKind::Stars, []);

    expect([
        $none->count, $none->average(), $none->goodShare(), $none->interval(), $none->recommendScore(),
    ])->toBe([0, null, null, null, null]);
});

it('rounds half up, from exact values', function (): void {
    // 1.125 and 0.0625 lie exactly half way.
    expect(RatingSummary::of(RatingKind::Stars, [1, 1, 1, 1, 1, 1, 1, 2])->average())->toBe('1.13')
        ->and(RatingSummary::of(RatingKind::Effort, [7, ...array_fill(0, 15, 1)])->goodShare())->toBe('0.0625')
        ->and(RatingSummary::of(RatingKind::Recommend, [9, 0, 0])->recommendScore())->toBe('-33.3');
});

it('is the surer the more have rated', function (): void {
    $few = RatingSummary::of(RatingKind::Stars, [5, 5, 5, 1])->interval();
    $many = RatingSummary::of(RatingKind::Stars, array_merge(...array_fill(0, 100, [5, 5, 5, 1])))->interval();

    expect($few)->toBe(['0.3006', '0.9544'])->and($many)->toBe(['0.7053', '0.7899']);
});

it('reaches from 0 and to 1 and never beyond', function (): void {
    expect(RatingSummary::of(RatingKind::Stars, [1, 2, 3])->interval()[0] ?? '')->toBe('0.0000')
        ->and(RatingSummary::of(RatingKind::Stars, [4, 5, 5])->interval()[1] ?? '')->toBe('1.0000');
});

it('refuses a score off the scale', function (RatingKind $kind, int $score): void {
    RatingSummary::of($kind, [$score]);
})->with([
    [RatingKind::Stars, 0], [RatingKind::Stars, 6], [RatingKind::Recommend, 11], [RatingKind::Recommend, -1],
    [RatingKind::Effort, 8],
])->throws(RatingsRefused::class);

it('says what reckoning with plain numbers says, for every kind', function (RatingKind $kind): void {
    mt_srand(crc32($kind->value));
    for ($round = 0; $round < 200; $round++) {
        $scores = array_map(static fn (): int => mt_rand($kind->lowest(), $kind->highest()), range(1, mt_rand(1, 60)));
        $summary = RatingSummary::of($kind, $scores);
        $count = count($scores);
        $good = count(array_filter($scores, static fn (int $score): bool => $score >= $kind->goodFrom()));
        $bad = count(array_filter($scores, static fn (int $score): bool => $score <= 6));
        $z = 1.959964;
        $share = $good / $count;
        $middle = ($share + $z ** 2 / (2 * $count)) / (1 + $z ** 2 / $count);
        $half = $z / (1 + $z ** 2 / $count) * sqrt($share * (1 - $share) / $count + $z ** 2 / (4 * $count ** 2));
        [$low, $high] = $summary->interval() ?? ['', ''];
        expect((float) $summary->average())->toEqualWithDelta(array_sum($scores) / $count, 0.0051)
            ->and((float) $summary->goodShare())->toEqualWithDelta($share, 0.000051)
            ->and((float) $summary->recommendScore())->toEqualWithDelta(100 * ($good - $bad) / $count, 0.051)
            ->and((float) $low)->toEqualWithDelta($middle - $half, 0.00006)
            ->and((float) $high)->toEqualWithDelta($middle + $half, 0.00006)
            ->and((float) $low)->toBeLessThanOrEqual((float) $summary->goodShare())
            ->and((float) $high)->toBeGreaterThanOrEqual((float) $summary->goodShare());
    }
})->with(RatingKind::cases());

it('writes as many decimals as it says, also of whole numbers', function (): void {
    $summary = RatingSummary::of(RatingKind::Recommend, [10, 10]);
    expect([
        $summary->average(), $summary->goodShare(), $summary->recommendScore(), $summary->interval()[1] ?? '',
    ])->toBe(['10.00', '1.0000', '100.0', '1.0000'])
        ->and(RatingSummary::of(RatingKind::Recommend, [0])->recommendScore())->toBe('-100.0')
        ->and(RatingSummary::of(RatingKind::Recommend, [7, 8])->recommendScore())->toBe('0.0');
});

it('counts six as bad and seven as neither, nine as good and eight not', function (): void {
    $score = static fn (int ...$scores): ?string => RatingSummary::of(RatingKind::Recommend, array_values($scores))->recommendScore();
    expect([$score(6), $score(7), $score(8), $score(9)])->toBe(['-100.0', '0.0', '0.0', '100.0'])
        ->and(RatingSummary::of(RatingKind::Stars, [3, 4])->goodShare())->toBe('0.5000')
        ->and(RatingSummary::of(RatingKind::Effort, [4, 5])->goodShare())->toBe('0.5000');
});
