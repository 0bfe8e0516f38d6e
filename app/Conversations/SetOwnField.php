<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Happened\FieldChanged;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Fields\About;
use App\Fields\FieldRefused;
use App\Fields\OwnField;
use App\Fields\OwnFields;
use App\Orders\Order;
use Illuminate\Support\Facades\DB;

/**
 * Writes into a field of the store's own from within a conversation: of the conversation, of its
 * customer or the customer's company, or of an order beside it.
 */
final readonly class SetOwnField
{
    public function __construct(private OwnFields $fields, private Journal $journal) {}

    /**
     * @param  string|list<string>|null  $written
     * @param  Order|null  $order  the one beside it, for a field of orders
     *
     * @throws FieldRefused when it does not fit
     */
    public function set(
        Conversation $conversation, OwnField $field, string|array|null $written, Actor $actor, ?Order $order = null,
        string $why = ''
    ): void {
        DB::transaction(function () use ($conversation, $field, $written, $actor, $order, $why): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            $aboutId = match ($field->about) {
                About::Conversation => $locked->id,
                About::Customer => $locked->customer_id,
                About::Order => $order?->id,
                About::Company => $locked->customer->company_id,
            };
            $changed = $aboutId === null ? null : $this->fields->keep($field, $aboutId, $written);
            if ($changed !== null) {
                [$from, $to] = array_map(static fn (string $value): ?string => $value === '' ? null : $value, $changed);
                $this->journal->record($locked, new FieldChanged(
                    new Named($field->id, $field->name), Named::orNone($order?->id, $order?->number), $from, $to
                ), $actor, $why);
            }
        });
    }
}
