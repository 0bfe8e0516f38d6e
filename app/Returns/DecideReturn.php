<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Actor;

/**
 * Whether something may come back: agreed, with a label asked of the carrier; declined; or taken back by the customer.
 */
final readonly class DecideReturn
{
    public function __construct(private MoveReturn $move) {}

    /**
     * @param  bool  $ownLabel  whether the customer sends it without a label of ours
     *
     * @throws ReturnRefused
     */
    public function agree(CustomerReturn $return, Actor $actor, bool $ownLabel = false): CustomerReturn
    {
        if ($return->stays) {
            return $this->move->to($return, ReturnState::Inspected, $actor, [
                'agreed_at' => now(), 'decided_by' => $actor->teammate?->id, 'inspected_at' => now(),
            ], 'the customer keeps it');
        }
        $terms = $return->agreedTerms();
        $lapses = now()->addDays($terms->sendWithin);
        $agreed = $this->move->to($return, ReturnState::Agreed, $actor, [
            'agreed_at' => now(), 'decided_by' => $actor->teammate?->id, 'lapse_at' => $lapses,
            'remind_at' => $terms->remindAfter > 0 && $terms->remindAfter < $terms->sendWithin ? now()->addDays($terms->remindAfter) : null,
            'label_next_at' => $ownLabel ? null : now(),
        ]);
        $ownLabel || FetchLabels::dispatch()->afterCommit();

        return $agreed;
    }

    /**
     * @throws ReturnRefused
     */
    public function decline(CustomerReturn $return, string $why, Actor $actor): CustomerReturn
    {
        $why = mb_substr(trim($why), 0, 300);
        $why === '' && throw ReturnRefused::noWhy();

        return $this->move->to($return, ReturnState::Declined, $actor, [
            'why' => $why, 'decided_by' => $actor->teammate?->id, 'label_next_at' => null,
        ], $why);
    }

    /**
     * @throws ReturnRefused
     */
    public function withdraw(CustomerReturn $return, Actor $actor): CustomerReturn
    {
        return $this->move->to($return, ReturnState::Withdrawn, $actor, ['label_next_at' => null]);
    }
}
