<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Input\Fields;
use Cairnfield\Core\Refusal;
use stdClass;

/**
 * The core's calculations by name, one JSON case in and one JSON result out.
 */
final class Reckoner
{
    private const CALCULATIONS = [
        'assign.next' => AssignNext::class,
        'hours.add' => AddHours::class,
        'hours.between' => HoursBetween::class,
        'money.allocate' => AllocateMoney::class,
        'promise.timeline' => TimePromises::class,
        'ratings.summary' => SummarizeRatings::class,
        'refund.quote' => QuoteRefund::class,
        'return.window' => CountReturnWindow::class,
        'rules.match' => MatchCondition::class,
        'rules.plan' => PlanRules::class,
        'signal.excess' => SignalExcess::class,
        'text.redact' => RedactText::class,
    ];

    private const DEPTH = 100_000;

    /**
     * @return list<string>
     */
    public static function names(): array
    {
        return array_keys(self::CALCULATIONS);
    }

    public static function calculation(string $name): ?Calculation
    {
        $class = self::CALCULATIONS[$name] ?? null;

        return $class === null ? null : new $class;
    }

    /**
     * @param  string  $line  one case as JSON
     * @return array<string, mixed> the result, or `{"error": {"code", "message", "at"}}`
     */
    public static function answer(Calculation $calculation, string $line): array
    {
        try {
            $case = json_decode($line, depth: self::DEPTH);

            return $calculation->reckon(Fields::of($case instanceof stdClass ? $case : throw BadInput::notAnObject()));
        } catch (Refusal $refusal) {
            return ['error' => [
                'code' => $refusal->errorCode(),
                'message' => $refusal->getMessage(),
                'at' => $refusal->at(),
            ]];
        }
    }
}
