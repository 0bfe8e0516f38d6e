<?php

declare(strict_types=1);

namespace App\Returns;

use App\Orders\Order;
use App\Orders\OrderLine;
use Illuminate\Support\Collection;

/**
 * Which policy holds: of those that fit the order, the one that says most closely for what it is. A marketplace's own rule comes
 * before all others, then the product, then the customer's group.
 */
final class FindPolicy
{
    /**
     * @param  Collection<int, OrderLine>  $lines  that come back: of several, the first product with a policy of its own counts
     *
     * @throws ReturnRefused where nothing is said for this reason
     */
    public static function for(ReturnReason $reason, Order $order, Collection $lines): ReturnPolicy
    {
        $groups = $order->customer?->groups->modelKeys() ?? [];
        $titles = $lines->map(static fn (OrderLine $line): string => mb_strtolower($line->title));

        return ReturnPolicy::query()->where('reason_id', $reason->id)->whereNull('retired_at')->with(['group', 'reason'])->orderBy('id')
            ->get()
            ->filter(static fn (ReturnPolicy $policy): bool => ($policy->marketplace === null
                || $policy->marketplace === $order->marketplace)
                && ($policy->group_id === null || in_array($policy->group_id, $groups, true))
                && ($policy->words() === [] || $titles->contains(static fn (string $title): bool => self::has($title, $policy->words()))))
            ->sortByDesc(static fn (ReturnPolicy $policy): int => ($policy->marketplace === null ? 0 : 4)
                + ($policy->words() === [] ? 0 : 2) + ($policy->group_id === null ? 0 : 1))
            ->first() ?? throw ReturnRefused::noPolicy($reason->name);
    }

    /**
     * @param  list<string>  $words
     */
    private static function has(string $title, array $words): bool
    {
        foreach ($words as $word) {
            if (str_contains($title, $word)) {
                return true;
            }
        }

        return false;
    }
}
