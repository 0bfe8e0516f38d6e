<?php

declare(strict_types=1);

use Cairnfield\Core\Ratings\RatingKind;
use Cairnfield\Core\Ratings\RatingsRefused;
use Cairnfield\Core\Ratings\RatingSummary;

it('says nothing where nobody has rated', function (): void {
    $none = RatingSummary::of(RatingKind::Stars, []);

    expect([$none->count, $none->average(), $none->goodShare(), $none->interval(), $none->recommendScore()])->toBe([0, null, null, null, null]);
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
})->with([[RatingKind::Stars, 0], [RatingKind::Stars, 6], [RatingKind::Recommend, 11], [RatingKind::Recommend, -1], [RatingKind::Effort, 8]])->throws(RatingsRefused::class);
