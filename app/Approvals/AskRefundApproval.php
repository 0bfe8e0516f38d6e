<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Approvals\Happened\ApprovalAsked;
use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\Cause;
use App\Conversations\Journal\CauseKind;
use App\Conversations\Journal\CurrentCause;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Orders\Order;
use App\Refunds\ChosenRefund;
use App\Refunds\LockedOrder;
use App\Refunds\RefundsRefused;
use App\Refunds\TellByTemplate;
use App\Refunds\ToldWith;
use App\Refunds\Worksheet;
use App\Team\Role;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Asks for the yes to a worksheet: with all that stands in it, so that the yes is to just that. The conversation is held meanwhile.
 */
final readonly class AskRefundApproval
{
    public function __construct(
        private SpendingLimits $limits, private WhoApproves $who, private ChangeState $changeState, private Journal $journal,
        private CurrentCause $cause, private Notify $tell, private TellByTemplate $tellCustomer
    ) {}

    /**
     * @param  int|null  $rule  the rule that asks, in the name of somebody
     * @param  int|null  $meanwhile  the template that tells the customer now that it is being looked at
     * @param  int  $shownTotal  what the worksheet said would go back, in smallest units
     *
     * @throws ApprovalRefused|RefundsRefused
     */
    public function ask(
        Order $order, ChosenRefund $chosen, int $shownTotal, string $reason, ?Conversation $conversation, Teammate $teammate,
        ?ToldWith $told, ?int $rule = null, ?int $meanwhile = null
    ): Approval {
        $reason = mb_substr(trim($reason), 0, 200);
        $reason === '' && throw RefundsRefused::noReason();

        return DB::transaction(function () use (
            $order, $chosen, $shownTotal, $reason, $conversation, $teammate, $told, $rule, $meanwhile
        ): Approval {
            $locked = $conversation === null ? null : Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            $order = LockedOrder::of($order->id, null);
            $waiting = Approval::query()->where('state', ApprovalState::Asked)
                ->where(static fn ($any) => $any->where('order_id', $order->id)
                    ->when($locked !== null, static fn ($or) => $or->orWhereIn('conversation_id', $locked?->withJoined() ?? [])))->first();
            $waiting === null || throw ApprovalRefused::alreadyAsked($waiting->question);
            $locked?->state === ConversationState::Closed && throw ApprovalRefused::closed();
            $sheet = Worksheet::of($order, $chosen);
            $sheet->quote === null && throw $sheet->why ?? RefundsRefused::unreadableOrder($order->number);
            $sheet->total() === $shownTotal
                || throw RefundsRefused::changedMeanwhile($order->money($shownTotal), $order->money($sheet->total()));
            $approval = $this->write($sheet, $reason, $locked, $teammate, $told, $rule);
            $people = $this->who->people($approval);
            $people === [] && throw ApprovalRefused::nobodyElse();
            $meanwhile === null ?: $this->tellMeanwhile($approval, $locked, $meanwhile, $teammate);
            $locked === null ?: $this->hold($approval, $locked, Actor::teammate($teammate));
            $this->tellOf($approval, $people);

            return $approval;
        });
    }

    /**
     * @param  list<Teammate>  $people
     */
    public function tellOf(Approval $approval, array $people): void
    {
        $step = count($approval->given ?? []);
        $this->tell->people(
            $people, NewsKind::ApprovalAsked, "approval-{$approval->id}-{$step}", "Needs your yes or no: {$approval->question}",
            $approval->conversation_id, path: "/approvals/{$approval->id}"
        );
    }

    private function write(Worksheet $sheet, string $reason, ?Conversation $conversation, Teammate $teammate, ?ToldWith $told,
        ?int $rule): Approval
    {
        $amount = $sheet->order->money($sheet->total());
        $approval = new Approval;
        $approval->forceFill([
            'conversation_id' => $conversation?->id, 'order_id' => $sheet->order->id,
            'question' => "Give back {$amount} of {$sheet->order->number}: ".mb_strtolower($reason), 'asked_by' => $teammate->id,
            'state' => ApprovalState::Asked, 'asked_at' => now(), 'amount' => $sheet->total(), 'currency' => $sheet->order->currency,
            'worksheet' => [
                'chosen' => $sheet->chosen->toArray(), 'reason' => $reason, 'rule' => $rule,
                'told' => $told === null ? null : ['template' => $told->template, 'done' => $told->whenDone],
            ],
            'steps' => array_map(
                static fn (Role $role): string => $role->value, $this->limits->steps($sheet->total(), $sheet->order->currency)
            ), 'given' => [],
        ])->save();

        return $approval;
    }

    /**
     * @throws ApprovalRefused where the customer cannot be told
     */
    private function tellMeanwhile(Approval $approval, ?Conversation $conversation, int $template, Teammate $teammate): void
    {
        $why = $this->tellCustomer->tell($conversation, $template, $teammate, "approval-{$approval->id}-asked", [], true);
        $why === null || throw ApprovalRefused::notTold(rtrim($why, '.'));
        $conversation?->refresh();
    }

    private function hold(Approval $approval, Conversation $conversation, Actor $actor): void
    {
        $this->journal->record($conversation, new ApprovalAsked(null, new Named($approval->id, $approval->question)), $actor);
        $this->cause->during(
            Cause::of(CauseKind::Approval, $approval->id),
            fn () => $this->changeState->hold($conversation, $actor, mb_substr("approval: {$approval->question}", 0, 280), null)
        );
    }
}
