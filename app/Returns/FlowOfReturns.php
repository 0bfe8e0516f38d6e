<?php

declare(strict_types=1);

namespace App\Returns;

use App\Orders\ShownMoney;
use App\Refunds\RefundState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * What became of the returns that were asked for in the last days: how many came how far, and what was given for them.
 */
final readonly class FlowOfReturns
{
    public const DAYS = 30;

    /**
     * @param  array<string, int>  $counts  by part
     * @param  list<array{SettledAs, int, string}>  $settled  how, how many, and what was given, in each currency
     */
    private function __construct(private ?int $reason, public array $counts, public array $settled) {}

    /**
     * @param  int|null  $reason  of those for this reason alone
     */
    public static function lastDays(?int $reason): self
    {
        $selects = $bindings = [];
        foreach (FlowPart::cases() as $part) {
            [$sql, $values] = self::condition($part);
            $selects[] = "COALESCE(SUM({$sql}), 0) AS `{$part->value}`";
            array_push($bindings, ...$values);
        }
        $counts = array_map(intval(...), (array) self::begun($reason)->toBase()->selectRaw(implode(', ', $selects), $bindings)->first());

        return new self($reason, $counts, self::howSettled($reason));
    }

    public function count(FlowPart $part): int
    {
        return $this->counts[$part->value] ?? 0;
    }

    /**
     * The returns behind a part.
     *
     * @return Builder<CustomerReturn>
     */
    public function behind(FlowPart $part): Builder
    {
        [$sql, $values] = self::condition($part);

        $returns = self::begun($this->reason);
        $returns->whereRaw($sql, $values);

        return $returns;
    }

    /**
     * @return Builder<CustomerReturn>
     */
    private static function begun(?int $reason): Builder
    {
        return CustomerReturn::query()->where('returns.asked_at', '>=', now()->subDays(self::DAYS))
            ->when($reason !== null, static fn (Builder $returns): Builder => $returns->where('returns.reason_id', $reason));
    }

    /**
     * By how far it came, whatever it is called now: every return is in a column and in all before it, and in one of what leaves.
     *
     * @return array{string, list<mixed>} SQL with what is bound in it
     */
    private static function condition(FlowPart $part): array
    {
        $in = static fn (ReturnState ...$states): string => "returns.state IN ('".implode("','", array_column($states, 'value'))."')";
        $isInspected = '('.$in(ReturnState::Inspected, ReturnState::Settled).')';
        $isSent = "({$isInspected} OR ".$in(ReturnState::OnItsWay, ReturnState::Arrived).' OR returns.sent_at IS NOT NULL)';
        $isAgreed = "({$isSent} OR ".$in(ReturnState::Agreed).' OR returns.agreed_at IS NOT NULL)';
        $longAgo = now()->subDays(ReturnSettings::stuckAfter());
        $moves = $in(ReturnState::OnItsWay);

        return match ($part) {
            FlowPart::Asked => ['1', []],
            FlowPart::Agreed => [$isAgreed, []],
            FlowPart::Sent => [$isSent, []],
            FlowPart::Inspected => [$isInspected, []],
            FlowPart::Settled => [$in(ReturnState::Settled), []],
            FlowPart::ToDecide => [$in(ReturnState::Asked), []],
            FlowPart::Declined => ["(NOT {$isAgreed} AND ".$in(ReturnState::Declined, ReturnState::Withdrawn, ReturnState::Lapsed).')', []],
            FlowPart::ToSend => [$in(ReturnState::Agreed), []],
            FlowPart::NotSent => [
                "({$isAgreed} AND NOT {$isSent} AND ".$in(ReturnState::Declined, ReturnState::Withdrawn, ReturnState::Lapsed).')', [],
            ],
            FlowPart::Stuck => ["({$isSent} AND ((".$moves.' AND COALESCE(returns.seen_at < ?, 0)) OR '
                .$in(ReturnState::Declined, ReturnState::Withdrawn, ReturnState::Lapsed).'))', [$longAgo]],
            FlowPart::Moving => ["({$moves} AND NOT COALESCE(returns.seen_at < ?, 0))", [$longAgo]],
            FlowPart::ToInspect => [$in(ReturnState::Arrived), []],
            FlowPart::ToSettle => [$in(ReturnState::Inspected), []],
        };
    }

    /**
     * @return list<array{SettledAs, int, string}>
     */
    private static function howSettled(?int $reason): array
    {
        $counts = self::begun($reason)->where('returns.state', ReturnState::Settled)->whereNotNull('settled_as')->toBase()
            ->groupBy('settled_as')->selectRaw('settled_as, COUNT(*) AS count')->pluck('count', 'settled_as');
        $given = DB::table('refunds')
            ->joinSub(self::begun($reason)->where('returns.state', ReturnState::Settled)->select('returns.id', 'returns.settled_as'),
                'these', 'these.id', '=', 'refunds.return_id')->where('refunds.state', '!=', RefundState::Withdrawn)
            ->groupBy('these.settled_as', 'refunds.currency')
            ->selectRaw('these.settled_as, refunds.currency, SUM(refunds.total) AS total')->get()
            ->groupBy('settled_as')->map(static fn ($rows) => $rows->pluck('total', 'currency'));
        $settled = [];
        foreach (SettledAs::cases() as $as) {
            $money = $as === SettledAs::Refund || $as === SettledAs::Credit
                ? ($given[$as->value] ?? collect())
                    ->map(static fn (mixed $units, string $currency): string => ShownMoney::of((int) $units, $currency))->implode(', ')
                : '';
            ($counts[$as->value] ?? 0) === 0 ?: $settled[] = [$as, (int) $counts[$as->value], $money];
        }

        return $settled;
    }
}
