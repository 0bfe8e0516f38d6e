<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Journal\Payload;
use App\Refunds\Happened\RefundAsked;
use App\Refunds\Happened\RefundEnded;
use App\Returns\Happened\ReturnMoved;
use App\Returns\ReturnReason;
use Brick\Math\BigInteger;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Rules\Operator;

/**
 * What rules ask of the money that goes back and of what comes back, where that is what has just happened.
 */
final class SettlingFields
{
    private const CHOICE = [Operator::In, Operator::NotIn];

    private const NUMBER = [Operator::MoreThan, Operator::LessThan, Operator::AtLeast, Operator::AtMost, Operator::Is];

    /**
     * @return list<RuleTriggerField>
     */
    public static function all(): array
    {
        $reasons = static fn (): array => self::reasons();

        return [
            new RuleTriggerField('refund_amount', 'Money that goes back', self::NUMBER, [], static function (RuleTrigger $trigger): ?float {
                $what = self::payload($trigger);

                return $what instanceof RefundAsked || $what instanceof RefundEnded
                    ? (float) Money::ofUnits(BigInteger::of($what->amount), Currency::of($what->currency))->toDecimal()
                    : null;
            }),
            new RuleTriggerField('refund_reason', 'Why money goes back', self::CHOICE, $reasons,
                static function (RuleTrigger $trigger): ?string {
                    $what = self::payload($trigger);

                    return $what instanceof RefundAsked || $what instanceof RefundEnded ? $what->refund->name : null;
                }),
            new RuleTriggerField('return_reason', 'Why it comes back', self::CHOICE, $reasons,
                static function (RuleTrigger $trigger): ?string {
                    $what = self::payload($trigger);

                    return $what instanceof ReturnMoved ? $what->reason : null;
                }),
        ];
    }

    private static function payload(RuleTrigger $trigger): ?Payload
    {
        return $trigger->entry?->payload();
    }

    /**
     * @return array<string, string>
     */
    private static function reasons(): array
    {
        $names = ReturnReason::query()->orderBy('position')->pluck('name')->all();

        return array_combine($names, $names);
    }
}
