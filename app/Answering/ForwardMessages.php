<?php

declare(strict_types=1);

namespace App\Answering;

use App\Answering\Happened\Forwarded;
use App\Answering\Outbox\DeliverOutboxItem;
use App\Conversations\Actor;
use App\Conversations\Attachment;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\Journal;
use App\Conversations\Message;
use App\Conversations\OutboxItem;
use App\Store\Store;
use App\Support\RandomUuid;
use App\Team\Teammate;
use Cairnfield\Core\Text\FoldedText;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Passes what was said on to somebody else: one message or all of them, with the files that are chosen. The
 * customer does not see it.
 */
final readonly class ForwardMessages
{
    public function __construct(private Journal $journal) {}

    /**
     * @param  list<string>  $to
     * @param  list<int>  $messageIds  which messages; none for all
     * @param  list<int>  $fileIds  which of their files
     *
     * @throws ConversationRefused when nobody is named, or no account can send mail
     */
    public function forward(
        Conversation $conversation, Teammate $teammate, array $to, string $text, array $messageIds, array $fileIds, string $onceKey
    ): Message {
        if ($to === []) {
            throw ConversationRefused::nobodyToForwardTo();
        }
        $key = hash('sha256', "forward:{$teammate->id}:{$onceKey}");

        return DB::transaction(function () use ($conversation, $teammate, $to, $text, $messageIds, $fileIds, $key): Message {
            $locked = Conversation::query()->lockForUpdate()->with('account')->findOrFail($conversation->id);
            // The same form sent once more, also in the same moment.
            $sent = Message::query()->where('once_key', $key)->first();
            if ($sent !== null) {
                return $sent;
            }
            $messages = Message::query()->whereIn(
                'conversation_id', $locked->withJoined()
            )->where('forwarded', false)->whereNull('partner_thread_id')->whereNull('called_back_at')
                ->when($messageIds !== [], static fn ($some) => $some->whereKey($messageIds))
                ->with(['attachments', 'teammate'])
                ->orderBy('received_at')
                ->orderBy('id')
                ->get();
            $message = $this->store(
                $locked, $teammate->id, $to, trim($text."\n\n".$messages->map($this->quote(...))->implode("\n\n")), $key
            );
            foreach ($messages->flatMap(static fn (Message $one) => $one->attachments)->whereIn('id', $fileIds) as $file) {
                (new Attachment)
                    ->forceFill([
                        'message_id' => $message->id, 'name' => $file->name, 'media_type' => $file->media_type,
                        'size' => $file->size, 'sha256' => $file->sha256, 'file' => $file->file,
                    ])
                    ->save();
            }
            $this->journal->record($locked, new Forwarded($to), Actor::teammate($teammate), message: $message);

            return $message;
        });
    }

    /**
     * A copy of what came in, for those who get everything of this conversation.
     */
    public function copyToStanding(Message $received): void
    {
        $conversation = Conversation::query()->with('account')->findOrFail($received->conversation_id);
        $key = hash('sha256', "copy:{$received->id}");
        // A machine's answer to a copy must not be copied in turn.
        if (
            ($conversation->standing_copies ?? []) === [] || $received->automatic || in_array(
                mb_strtolower($received->from_address), $conversation->standing_copies, true
            ) || Message::query()
                ->where('once_key', $key)
                ->exists()
        ) {
            return;
        }
        DB::transaction(function () use ($conversation, $received, $key): void {
            $message = $this->store($conversation, null, $conversation->standing_copies ?? [], $this->quote($received), $key, true);
            $this->journal->record(
                $conversation, new Forwarded($message->to), Actor::application(), 'they get copies of everything', $message
            );
        });
    }

    /**
     * @param  list<string>  $to
     */
    private function store(
        Conversation $conversation, ?int $teammateId, array $to, string $text, string $key, bool $automatic = false
    ): Message {
        $account = $conversation->account->answersByMail() ?? throw ConversationRefused::nobodyToAnswer();
        $messageId = RandomUuid::make().'.f@'.Str::after($account->address, '@');
        $message = new Message;
        $message->forceFill([
            'conversation_id' => $conversation->id, 'account_id' => $account->id, 'teammate_id' => $teammateId, 'direction' => Message::OUT,
            'from_name' => $account->sender_name,
            'from_address' => $account->address,
            'to' => $to,
            'cc' => [],
            'forwarded' => true,
            'automatic' => $automatic,
            'subject' => "Fwd: {$conversation->subject}",
            'message_id' => $messageId,
            'message_id_key' => Message::keyOfId($messageId),
            'references' => '',
            'text' => $text, 'marks' => [], 'sent_at' => now(), 'received_at' => now(), 'once_key' => $key,
        ])->save();
        $item = OutboxItem::queue($message, $to);
        DeliverOutboxItem::dispatch($item->id)->afterCommit();

        return $message;
    }

    private function quote(Message $message): string
    {
        $who = $message->isIncoming()
            ? ($message->from_name !== '' ? "{$message->from_name} <{$message->from_address}>" : $message->from_address)
            : ($message->teammate->name ?? $message->from_name);
        $at = $message->received_at->setTimezone(Store::current()->timeZone)->format('j F Y H:i');

        return "---- {$who}, {$at} ----\n".trim(FoldedText::of($message->text)->written);
    }
}
