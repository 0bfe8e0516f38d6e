<?php

declare(strict_types=1);

namespace App\Returns;

use Illuminate\Database\Eloquent\Builder;

/**
 * What waits at the bench, by what is to be done.
 */
enum BenchTab: string
{
    case Decide = 'decide';
    case OnItsWay = 'on-its-way';
    case Arrived = 'arrived';
    case Settle = 'settle';
    case Stuck = 'stuck';
    case All = 'all';

    public function label(): string
    {
        return match ($this) {
            self::Decide => 'To decide',
            self::OnItsWay => 'On its way',
            self::Arrived => 'Arrived',
            self::Settle => 'To settle',
            self::Stuck => 'Stuck',
            self::All => 'All',
        };
    }

    /**
     * @param  Builder<CustomerReturn>  $returns
     * @return Builder<CustomerReturn>
     */
    public function of(Builder $returns): Builder
    {
        $longAgo = now()->subDays(ReturnSettings::stuckAfter());

        return match ($this) {
            self::Decide => $returns->where('state', ReturnState::Asked)->orderBy('due_at'),
            self::OnItsWay => $returns->whereIn('state', [ReturnState::Agreed, ReturnState::OnItsWay])->orderByDesc('id'),
            self::Arrived => $returns->where('state', ReturnState::Arrived)->orderBy('due_at'),
            self::Settle => $returns->where('state', ReturnState::Inspected)->orderBy('due_at'),
            self::Stuck => $returns->where('state', ReturnState::OnItsWay)->where('seen_at', '<', $longAgo)->orderBy('seen_at'),
            self::All => $returns->orderByDesc('id'),
        };
    }

    public static function holding(CustomerReturn $return): self
    {
        return match ($return->state) {
            ReturnState::Asked => self::Decide,
            ReturnState::Agreed, ReturnState::OnItsWay => $return->isStuck() ? self::Stuck : self::OnItsWay,
            ReturnState::Arrived => self::Arrived,
            ReturnState::Inspected => self::Settle,
            default => self::All,
        };
    }

    /**
     * How many wait in each, asked at once.
     *
     * @return array<string, int>
     */
    public static function counts(): array
    {
        $longAgo = now()->subDays(ReturnSettings::stuckAfter());
        $states = CustomerReturn::query()->whereIn('state', ReturnState::open())->toBase()
            ->selectRaw('state, COUNT(*) AS count, SUM(seen_at < ?) AS stuck', [$longAgo])->groupBy('state')->get()->keyBy('state');
        $of = static fn (ReturnState ...$of): int => array_sum(array_map(
            static fn (ReturnState $state): int => (int) ($states[$state->value]->count ?? 0), $of
        ));

        return [
            self::Decide->value => $of(ReturnState::Asked), self::OnItsWay->value => $of(ReturnState::Agreed, ReturnState::OnItsWay),
            self::Arrived->value => $of(ReturnState::Arrived), self::Settle->value => $of(ReturnState::Inspected),
            self::Stuck->value => (int) ($states[ReturnState::OnItsWay->value]->stuck ?? 0),
        ];
    }
}
