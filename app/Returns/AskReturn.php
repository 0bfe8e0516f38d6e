<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Orders\Order;
use App\Team\Teammate;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Writes down that something is to come back, on the terms that hold now.
 */
final readonly class AskReturn
{
    private const MOST_UNITS = 200;

    public function __construct(private MoveReturn $move) {}

    /**
     * @param  array<int, int>  $units  by the id of the order's line
     * @param  bool  $despite  whether it is taken although its time is over
     * @param  string  $onceKey  of the form: sent twice, it is one return
     *
     * @throws ReturnRefused
     */
    public function ask(
        Order $order, array $units, ?ReturnReason $reason, string $note, bool $despite, ?Conversation $conversation, Teammate $teammate,
        string $onceKey
    ): CustomerReturn {
        return $this->once($order, $units, $reason, $note, $despite, $conversation, $teammate, "return:{$teammate->id}:{$onceKey}");
    }

    /**
     * As the customer asked elsewhere: too late, it waits for its decision all the same.
     *
     * @param  array<int, int>  $units
     * @param  Message|null  $message  that asks for it, once; null for once in the conversation
     *
     * @throws ReturnRefused
     */
    public function byCustomer(
        Order $order, array $units, ReturnReason $reason, Conversation $conversation, ?Message $message = null
    ): CustomerReturn {
        return $this->once($order, $units, $reason, '', true, $conversation, null, $message === null
            ? "return:conversation:{$conversation->id}"
            : "return:message:{$message->id}");
    }

    /**
     * @param  array<int, int>  $units
     *
     * @throws ReturnRefused
     */
    private function once(
        Order $order, array $units, ?ReturnReason $reason, string $note, bool $despite, ?Conversation $conversation, ?Teammate $teammate,
        string $once
    ): CustomerReturn {
        $key = hash('sha256', $once);
        $reason ?? throw ReturnRefused::noReason();
        $units === [] && throw ReturnRefused::nothingChosen();
        array_sum($units) > self::MOST_UNITS && throw ReturnRefused::manyUnits(self::MOST_UNITS);
        try {
            return DB::transaction(function () use ($order, $units, $reason, $note, $despite, $conversation, $teammate,
                $key): CustomerReturn {
                $locked = Order::query()->lockForUpdate()->with(['lines', 'parcels.scans', 'customer.groups'])->findOrFail($order->id);
                $again = CustomerReturn::query()->where('once_key', $key)->first();
                if ($again !== null) {
                    return $again;
                }
                self::refuseWhatIsNotThere($locked, $units);
                $offered = OfferedReturn::of($locked, $reason, $units);
                $offered->window->allowed || $despite || throw ReturnRefused::tooLate((string) $offered->lastDay()?->format('j F Y'));

                return $this->write($offered, $units, $note, $conversation, $teammate, $key);
            });
        } catch (UniqueConstraintViolationException) {
            return CustomerReturn::query()->where('once_key', $key)->firstOrFail();
        }
    }

    /**
     * @param  array<int, int>  $units
     */
    private function write(
        OfferedReturn $offered, array $units, string $note, ?Conversation $conversation, ?Teammate $teammate, string $key
    ): CustomerReturn {
        $return = new CustomerReturn;
        $return->forceFill([
            'order_id' => $offered->order->id, 'customer_id' => $offered->order->customer_id, 'conversation_id' => $conversation?->id,
            'reason_id' => $offered->policy->reason_id, 'policy_id' => $offered->policy->id, 'policy_version' => $offered->policy->version,
            'terms' => $offered->terms->toArray(), 'state' => ReturnState::Asked, 'teammate_id' => $teammate?->id, 'once_key' => $key,
            'note' => mb_substr(trim($note), 0, 500), 'last_day' => $offered->lastDay()?->format('Y-m-d'), 'stays' => $offered->stays,
            'label_key' => Str::uuid()->toString(), 'asked_at' => now(), 'due_at' => ReturnSettings::dueAt(ReturnState::Asked, now()),
        ])->save();
        foreach ($units as $line => $quantity) {
            (new ReturnLine)->forceFill(['return_id' => $return->id, 'order_line_id' => $line, 'quantity' => $quantity])->save();
        }
        $actor = $teammate === null ? Actor::customer() : Actor::teammate($teammate);
        $this->move->write($return, null, $actor);
        TellOfReturns::of($return, ReturnState::Asked->value, $actor);

        return $return;
    }

    /**
     * @param  array<int, int>  $units
     */
    private static function refuseWhatIsNotThere(Order $order, array $units): void
    {
        $left = UnitsInReturns::left($order);
        foreach ($units as $line => $quantity) {
            $of = $order->lines->find($line) ?? throw ReturnRefused::notOrdered($order->number);
            $quantity < 1 && throw ReturnRefused::nothingChosen();
            $quantity > $left[$line] && throw ReturnRefused::tooMany($of->title, $left[$line]);
        }
    }
}
