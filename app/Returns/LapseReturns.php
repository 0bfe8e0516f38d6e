<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Actor;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Returns\Happened\ReturnReminded;
use Illuminate\Support\Facades\DB;

/**
 * Reminds of what was agreed and has not been sent, and lets it lapse when its time is over.
 */
final readonly class LapseReturns
{
    private const AT_ONCE = 100;

    public function __construct(private MoveReturn $move, private Journal $journal) {}

    public function __invoke(): void
    {
        foreach ($this->due('remind_at') as $return) {
            $this->remind($return);
        }
        foreach ($this->due('lapse_at') as $return) {
            try {
                $this->move->to($return, ReturnState::Lapsed, Actor::application(), ['label_next_at' => null]);
            } catch (ReturnRefused) {
                // It was sent, or taken back, in this moment.
            }
        }
    }

    /**
     * @return iterable<CustomerReturn>
     */
    private function due(string $when): iterable
    {
        return CustomerReturn::query()->whereNotNull($when)->where($when, '<=', now())->where('state', ReturnState::Agreed)
            ->orderBy($when)->limit(self::AT_ONCE)->get();
    }

    private function remind(CustomerReturn $return): void
    {
        DB::transaction(function () use ($return): void {
            $locked = MoveReturn::locked($return);
            if ($locked->state !== ReturnState::Agreed || $locked->remind_at === null) {
                return;
            }
            $locked->forceFill(['remind_at' => null])->save();
            TellOfReturns::of($locked, ReturnSettings::REMINDED, Actor::application());
            $locked->load(['order', 'conversation']);
            $locked->conversation === null
                || $locked->lapse_at === null ?: $this->journal->record($locked->conversation, new ReturnReminded(
                    new Named($locked->id, $locked->number()), new Named($locked->order_id, $locked->order->number), $locked->lapse_at
                ), Actor::application());
        });
    }
}
