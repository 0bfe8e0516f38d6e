<?php

declare(strict_types=1);

namespace App\Rules;

use App\Approvals\Approval;
use App\Approvals\ApprovalState;
use App\Approvals\AskRefundApproval;
use App\Approvals\SpendingLimits;
use App\Conversations\Changes\Chosen;
use App\Conversations\Conversation;
use App\Orders\Order;
use App\Orders\WhoseOrder;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\RefundsRefused;
use App\Refunds\Worksheet;
use App\Returns\PolicyToSave;
use App\Returns\ReturnReason;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Gives money back for a rule, in simple cases: what the delivery cost, or an amount of goodwill; up to what the rule says and within the
 * limits of the person in whose name it does, above which it asks for the yes of a second person, with the worksheet. Once for each order,
 * and only of an order that is known to be the customer's. It leaves after a while, so that a person can take it back.
 */
final readonly class GiveBackByRule
{
    public const WHAT = ['delivery' => 'what its delivery cost', 'goodwill' => 'as goodwill'];

    private const REASONS = ['delivery' => 'Late', 'goodwill' => 'Goodwill'];

    public function __construct(private IssueRefund $issue, private AskRefundApproval $ask, private SpendingLimits $limits) {}

    /**
     * Why nothing is given back there; null where something is. Giving nothing is no failure.
     */
    public function whyNot(Rule $rule, Chosen $chosen, Conversation $conversation): ?string
    {
        $order = $this->order($conversation);
        $sheet = $order === null ? null : $this->sheet($order, $chosen);
        $most = $order === null ? 0 : $this->most($chosen, $order);

        return match (true) {
            $order === null => 'no order beside it is known to be theirs',
            DB::table('refunds')->where('once_key', $this->onceKey($rule, $order, $this->as($chosen)))->exists(),
            Approval::query()->where('order_id', $order->id)->where('state', ApprovalState::Asked)->exists(),
            Approval::query()->where('order_id', $order->id)->where('worksheet->rule', $rule->id)
                ->exists() => 'it has given back, or asked to, for this order already',
            $sheet?->quote === null => lcfirst($sheet?->why?->getMessage() ?? 'nothing of it is left'),
            $sheet->total() > $most => "{$order->money($sheet->total())} are above the {$order->money($most)} that it gives back",
            default => null,
        };
    }

    /**
     * Where `whyNot` has nothing against it.
     */
    public function give(Rule $rule, ActionKind $kind, Chosen $chosen, Conversation $conversation): void
    {
        $order = $this->order($conversation) ?? throw RuleRefused::noOrder();
        $as = $this->as($chosen);
        $sheet = $this->sheet($order, $chosen);
        $reason = $this->reason($chosen);
        if ($kind !== ActionKind::AskGiveBack) {
            try {
                $this->issue->issue(
                    $order, $sheet->chosen, $sheet->total(), $reason, $conversation, $as, $this->once($rule, $order), null, 0,
                    (int) config('cairnfield.refunds.rules_wait_seconds'), $this->limits
                );

                return;
            } catch (RefundsRefused $refused) {
                $refused->isAboveLimit() || throw $refused;
            }
        }
        $this->ask->ask($order, $sheet->chosen, $sheet->total(), $reason, $conversation, $as, null, $rule->id);
    }

    private function order(Conversation $conversation): ?Order
    {
        $orders = $conversation->orders()->with(['lines', 'payments'])->get()->sortByDesc('placed_at');

        return $orders->first(static fn (Order $order): bool => WhoseOrder::isTheirs($order, $conversation));
    }

    private function sheet(Order $order, Chosen $chosen): Worksheet
    {
        // Of goodwill it gives just as much as it may.
        return Worksheet::of($order, $chosen->value === 'delivery' ? new ChosenRefund(delivery: 'all') : new ChosenRefund(
            goodwill: PolicyToSave::decimal($this->most($chosen, $order), $order->currency)
        ));
    }

    /**
     * Smallest units of the order's currency; nothing in one that the rule does not name.
     */
    private function most(Chosen $chosen, Order $order): int
    {
        return PolicyToSave::amounts($chosen->text, 'text')[$order->currency] ?? 0;
    }

    private function as(Chosen $chosen): Teammate
    {
        return Teammate::working()->find((int) $chosen->as) ?? throw RuleRefused::nobodyToAnswerAs();
    }

    private function reason(Chosen $chosen): string
    {
        $usual = self::REASONS[$chosen->value] ?? 'Goodwill';

        return ReturnReason::inUse()->where('name', $usual)->value('name') ?? $usual;
    }

    private function once(Rule $rule, Order $order): string
    {
        return "rule-{$rule->id}-order-{$order->id}";
    }

    private function onceKey(Rule $rule, Order $order, Teammate $as): string
    {
        return IssueRefund::onceKey($as, $this->once($rule, $order));
    }
}
