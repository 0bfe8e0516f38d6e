<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Orders\ShownMoney;
use App\Refunds\RefundState;
use App\Refunds\Worksheet;
use App\Support\StoreSettings;
use App\Team\Role;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * How much each role gives back without a second person: in one refund, to one customer within thirty days, and as goodwill. In the
 * currency of the order; a currency that is not named is nothing.
 */
final readonly class SpendingLimits
{
    public const NAME = 'approvals';

    public const KINDS = ['refund', 'customer', 'goodwill'];

    public const CUSTOMER_DAYS = 30;

    public const USUAL_REMIND = 2;

    public function __construct(private StoreSettings $settings) {}

    /**
     * @return string|null why they need a second person's yes; null where they do not
     */
    public function why(Teammate $teammate, Worksheet $sheet): ?string
    {
        $shown = static fn (int $units): string => ShownMoney::of($units, $sheet->order->currency);
        $goodwill = $sheet->quote?->goodwill->units->toInt() ?? 0;
        foreach (['refund' => $sheet->total(), 'goodwill' => $goodwill] as $kind => $amount) {
            $limit = $this->limit($teammate->role, $kind, $sheet->order->currency);
            if ($limit !== null && $amount > $limit) {
                return match (true) {
                    $limit === 0 => 'a second person says yes before you give money back',
                    $kind === 'refund' => "it is above the {$shown($limit)} that you give back by yourself",
                    default => "the goodwill is above the {$shown($limit)} that you give by yourself",
                };
            }
        }
        $limit = $this->limit($teammate->role, 'customer', $sheet->order->currency);
        $before = $limit === null ? 0 : $this->givenLately($sheet);

        return $limit !== null && $before + $sheet->total() > $limit
            ? "with the {$shown($before)} of the last ".self::CUSTOMER_DAYS." days it is above the {$shown($limit)} for one customer"
            : null;
    }

    /**
     * @return int|null smallest units; null for as much as there is
     */
    public function limit(Role $role, string $kind, string $currency): ?int
    {
        $said = $this->ofRole($role)[$kind] ?? null;

        return $said === null ? ($role->approves() ? null : 0) : (int) ($said[$currency] ?? 0);
    }

    /**
     * @return array<string, array<string, int>|null> by kind: smallest units by currency; null where nothing is said
     */
    public function ofRole(Role $role): array
    {
        return (array) ($this->all()['limits'][$role->value] ?? []);
    }

    /**
     * The roles whose yes it needs, in their order: always a lead's; an administrator's as well above what is set.
     *
     * @return list<Role>
     */
    public function steps(int $amount, string $currency): array
    {
        $above = $this->all()['second_above'] ?? null;

        return is_array($above) && $amount > (int) ($above[$currency] ?? 0) ? [Role::Lead, Role::Administrator] : [Role::Lead];
    }

    /**
     * @return array<string, int>|null above which an administrator says yes too, by currency; null for never
     */
    public function secondAbove(): ?array
    {
        return is_array($this->all()['second_above'] ?? null) ? $this->all()['second_above'] : null;
    }

    /**
     * Working days after which people are reminded of all that still waits.
     */
    public function remindAfter(): int
    {
        return (int) ($this->all()['remind'] ?? self::USUAL_REMIND);
    }

    private function givenLately(Worksheet $sheet): int
    {
        $order = $sheet->order;

        return (int) DB::table('refunds')->join('orders', 'orders.id', '=', 'refunds.order_id')
            ->where('refunds.currency', $order->currency)->where('refunds.state', '!=', RefundState::Withdrawn)
            ->where('refunds.asked_at', '>=', now()->subDays(self::CUSTOMER_DAYS))
            ->where(static fn ($of) => $order->customer_id === null
                ? $of->where('orders.id', $order->id)
                : $of->where('orders.customer_id', $order->customer_id))
            ->sum(DB::raw('refunds.total - refunds.kept'));
    }

    /**
     * @return array<string, mixed>
     */
    private function all(): array
    {
        return (array) $this->settings->get(self::NAME, []);
    }
}
