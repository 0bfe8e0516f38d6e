<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Input\Fields;
use Cairnfield\Core\Ratings\RatingKind;
use Cairnfield\Core\Ratings\RatingsRefused;
use Cairnfield\Core\Ratings\RatingSummary;

final class SummarizeRatings implements Calculation
{
    public function help(): string
    {
        return <<<'HELP'
            Says what many ratings say together.
              kind    "stars" (1 to 5) | "recommend" (0 to 10) | "effort" (1 to 7)
              scores  a list of whole numbers
            Result: {"count", "average", and for stars "satisfied", "low", "high"; for recommend "score"; for effort "easy"}
            Errors: bad_input, bad_score
            HELP;
    }

    public function reckon(Fields $case): array
    {
        $kind = RatingKind::tryFrom($case->string('kind')) ?? throw BadInput::expected(
            "'stars', 'recommend' or 'effort'", $case->at('kind')
        );
        $written = $case->value('scores');
        if (! is_array($written)) {
            throw BadInput::expected('a list of whole numbers', $case->at('scores'));
        }
        $scores = [];
        foreach (array_values($written) as $index => $score) {
            $isWhole = is_int($score) || (is_float($score) && floor($score) === $score && abs($score) <= 100);
            $scores[] = $isWhole ? (int) $score : throw RatingsRefused::score($kind, $case->at("scores[{$index}]"));
        }
        $summary = RatingSummary::of($kind, $scores);

        return ['count' => $summary->count, 'average' => $summary->average(), ...match ($kind) {
            RatingKind::Stars => [
                'satisfied' => $summary->goodShare(), 'low' => $summary->interval()[0] ?? null,
                'high' => $summary->interval()[1] ?? null,
            ],
            RatingKind::Recommend => ['score' => $summary->recommendScore()],
            RatingKind::Effort => ['easy' => $summary->goodShare()],
        }];
    }
}
