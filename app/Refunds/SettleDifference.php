<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Orders\Order;
use App\Support\StoreSettings;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * A person says what a difference to the provider's book is: right as it is, or money that never left and has to be given anew.
 */
final readonly class SettleDifference
{
    public function __construct(private StoreSettings $settings) {}

    /**
     * @throws RefundsRefused
     */
    public function isRight(Payout $payout, string $note, Teammate $teammate): void
    {
        $what = $this->listed($payout);
        $note = mb_substr(trim($note), 0, 300);
        $note === '' && throw RefundsRefused::noNote();
        DB::table('settled_differences')->insertOrIgnore([
            'payout_id' => $payout->id, 'what' => $what, 'note' => $note, 'teammate_id' => $teammate->id, 'at' => now(),
        ]);
        $this->strike($payout);
    }

    /**
     * The book does not know it: it has not gone back, and can be tried again.
     *
     * @throws RefundsRefused
     */
    public function neverLeft(Payout $payout): void
    {
        $this->listed($payout);
        DB::transaction(function () use ($payout): void {
            $refundId = (int) Payout::query()->whereKey($payout->id)->value('refund_id');
            Order::query()->whereKey((int) Refund::query()->whereKey($refundId)->value('order_id'))->lockForUpdate()->value('id');
            $locked = Payout::query()->lockForUpdate()->findOrFail($payout->id);
            $locked->state === PayoutState::Done || throw RefundsRefused::notListed();
            $locked->forceFill(['state' => PayoutState::Failed, 'why' => 'The provider’s book does not know it.'])->save();
            Refund::query()->whereKey($refundId)->update(['state' => RefundState::Stuck, 'ended_at' => null, 'book_next_at' => null]);
        });
        $this->strike($payout);
    }

    /**
     * @return string what the two differ in
     *
     * @throws RefundsRefused
     */
    private function listed(Payout $payout): string
    {
        foreach ($this->settings->get(ReconcilePayments::REPORT)['differences'] ?? [] as $one) {
            if (($one['payout'] ?? null) === $payout->id) {
                return (string) $one['what'];
            }
        }
        throw RefundsRefused::notListed();
    }

    private function strike(Payout $payout): void
    {
        $report = (array) $this->settings->get(ReconcilePayments::REPORT, []);
        $report['differences'] = array_values(array_filter(
            $report['differences'] ?? [], static fn (array $one): bool => ($one['payout'] ?? null) !== $payout->id
        ));
        $this->settings->put(ReconcilePayments::REPORT, $report);
    }
}
