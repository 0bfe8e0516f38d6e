<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Actor;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Returns\Happened\ReturnMoved;
use Closure;
use Illuminate\Support\Facades\DB;

/**
 * The one way in which a return comes from one state to the next: locked, checked, written down, with the time that the next step is
 * promised for.
 */
final readonly class MoveReturn
{
    public function __construct(private Journal $journal) {}

    /**
     * @param  Closure(CustomerReturn): array<string, mixed>|array<string, mixed>  $values  what is stored with it; a closure does
     *   what belongs to the step first, with the return locked
     * @param  string  $how  what is to be said of the step
     *
     * @throws ReturnRefused where it has gone elsewhere meanwhile
     */
    public function to(
        CustomerReturn $return, ReturnState $state, Actor $actor, Closure|array $values = [], string $how = ''
    ): CustomerReturn {
        return DB::transaction(function () use ($return, $state, $actor, $values, $how): CustomerReturn {
            $locked = self::locked($return);
            $locked->state->becomes($state) || throw ReturnRefused::notFrom($locked->number(), $locked->state, $state);
            $before = $locked->state;
            $stored = $values instanceof Closure ? $values($locked) : $values;
            $locked->forceFill([
                'state' => $state, 'due_at' => ReturnSettings::dueAt($state, now()), 'ended_at' => $state->isOver() ? now() : null,
                ...($state === ReturnState::Agreed ? [] : ['remind_at' => null, 'lapse_at' => null]), ...$stored,
            ])->save();
            $this->write($locked, $before, $actor, $how);
            // Where its money is withdrawn, it is settled anew: that is ours alone.
            $before === ReturnState::Settled ?: TellOfReturns::of($locked, $state->value, $actor);

            return $locked;
        });
    }

    /**
     * To be called in a transaction.
     */
    public function write(CustomerReturn $return, ?ReturnState $before, Actor $actor, string $how = ''): void
    {
        $return->loadMissing(['order', 'reason', 'conversation']);
        $return->conversation === null ?: $this->journal->record($return->conversation, new ReturnMoved(
            new Named($return->id, $return->number()), new Named($return->order_id, $return->order->number), $before, $return->state,
            $return->reason->name, $how
        ), $actor);
    }

    /**
     * As it stands now, held until the transaction ends: the order before its returns, as everywhere.
     */
    public static function locked(CustomerReturn $return): CustomerReturn
    {
        DB::table('orders')->where('id', $return->order_id)->lockForUpdate()->value('id');

        return CustomerReturn::query()->lockForUpdate()->findOrFail($return->id);
    }
}
