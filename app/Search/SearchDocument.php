<?php

declare(strict_types=1);

namespace App\Search;

use App\Channels\Account;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Conversations\Note;
use App\Customers\Handle;
use App\Customers\TelephoneNumber;
use App\Fields\About;
use App\Orders\Order;
use App\Orders\Parcel;
use Cairnfield\Core\Search\SearchText;
use Cairnfield\Core\Text\FoldedText;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Puts together what can be found of conversations: number, subject, who, orders, files, own fields, all
 * that was said and noted. Quoted earlier text is left out: it is found where it was said.
 */
final class SearchDocument
{
    private const LONGEST = 60_000;

    private const OF_ONE_MESSAGE = 20_000;

    /**
     * @param  list<int>  $ids
     */
    public function make(array $ids): void
    {
        $conversations = Conversation::query()->whereKey($ids)
            ->with(['customer.handles', 'account', 'orders.parcels', 'orders.lines'])->get();
        if ($conversations->isEmpty()) {
            return;
        }
        $texts = $this->texts($ids);
        DB::table('search_documents')->upsert($conversations->map(fn (Conversation $conversation): array => [
            'conversation_id' => $conversation->id,
            'said_at' => $conversation->last_message_at,
            'text' => mb_strcut(
                SearchText::of($this->about($conversation)."\n".implode("\n", $texts[$conversation->id] ?? [])), 0, self::LONGEST
            ),
        ])->all(), ['conversation_id'], ['said_at', 'text']);
    }

    private function about(Conversation $conversation): string
    {
        return implode("\n", [
            $conversation->number(),
            (string) $conversation->id,
            $conversation->subject,
            $conversation->customer->name,
            ...$conversation->customer->handles->map(static fn (Handle $handle): string => $handle->shown)->all(),
            ...$conversation->customer->handles->map(self::nationally(...))->all(),
            ...$conversation->orders->flatMap(
                static fn (Order $order): array => array_filter([
                    $order->number, (string) $order->marketplace_number, ...$order->parcels->flatMap(
                        static fn (Parcel $parcel): array => [$parcel->number, self::inGroups($parcel->number)]
                    )->all(),
                    ...$order->lines->pluck('sku')->all(),
                ])
            )->all(),
            $conversation->account instanceof Account ? $conversation->account->title() : '',
            (string) $conversation->held_reason,
        ]);
    }

    /**
     * `WP7720388` as some write it: `WP 7720388`.
     */
    private static function inGroups(string $number): string
    {
        return (string) preg_replace('/(?<=\pL)(?=\d)|(?<=\d)(?=\pL)/u', ' ', $number);
    }

    /**
     * A telephone number as people of its country write it, without the zero.
     */
    private static function nationally(Handle $handle): string
    {
        return $handle->kind === 'telephone' ? (TelephoneNumber::read($handle->value)->national ?? '') : '';
    }

    /**
     * @param  list<int>  $ids
     * @return array<int, list<string>> by conversation
     */
    private function texts(array $ids): array
    {
        $texts = [];
        /** @var Collection<int, Message> $messages */
        $messages = Message::query()->whereIn('conversation_id', $ids)->orderByDesc('id')->get([
            'id', 'conversation_id', 'from_name', 'from_address', 'subject', 'text',
        ]);
        foreach ($messages as $message) {
            $texts[$message->conversation_id][] = "{$message->from_name} {$message->from_address} {$message->subject}\n".mb_strcut(
                FoldedText::of($message->text)->own(), 0, self::OF_ONE_MESSAGE
            );
        }
        foreach (Note::query()->whereIn('conversation_id', $ids)->orderByDesc('id')->get(['id', 'conversation_id', 'text']) as $note) {
            $texts[$note->conversation_id][] = mb_strcut($note->text, 0, self::OF_ONE_MESSAGE);
        }
        $files = DB::table('attachments')->join(
            'messages', 'messages.id', '=', 'attachments.message_id'
        )->whereIn('messages.conversation_id', $ids)->get(['messages.conversation_id', 'attachments.name']);
        foreach ($files as $file) {
            $texts[(int) $file->conversation_id][] = (string) $file->name;
        }
        $values = DB::table('own_values')->join(
            'own_fields', 'own_fields.id', '=', 'own_field_id'
        )->where('about', About::Conversation->value)->whereIn('about_id', $ids)->whereNotNull('text')->get(['about_id', 'text']);
        foreach ($values as $value) {
            $texts[(int) $value->about_id][] = (string) $value->text;
        }

        return $texts;
    }
}
