<?php

declare(strict_types=1);

namespace App\Answering;

use App\Channels\OutboxItem;
use App\Conversations\Actor;
use App\Conversations\Attachment;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal;
use App\Conversations\JournalEntry;
use App\Conversations\JournalKind;
use App\Conversations\Message;
use App\Team\Teammate;
use App\Templates\RecordTemplateUse;
use Illuminate\Support\Facades\DB;

/**
 * Takes an answer back in the seconds before it is on its way. The conversation is again as it was before,
 * and what was written is a draft again.
 */
final readonly class CallBack
{
    /** What answering changes, and calling back sets as it was. */
    public const KEPT = [
        ...Conversation::STATE, ...self::TURN, ...Conversation::OWNER,
        'first_replied_at', 'last_answered_at', 'category_id', 'team_id', 'priority',
    ];

    private const TURN = [...Conversation::CLOCK, 'preview', 'last_message_at'];

    /** Where the tags are kept that went along. */
    public const TAGS = 'given_tags';

    public function __construct(private Journal $journal, private RecordTemplateUse $templates) {}

    /**
     * @throws ConversationRefused when it is on its way already, or somebody else's
     */
    public function byAuthor(Message $message, Teammate $teammate): void
    {
        if ($message->teammate_id !== $teammate->id) {
            throw ConversationRefused::notYours();
        }
        DB::transaction(function () use ($message, $teammate): void {
            $this->take($message);
            $draft = Draft::for($message->conversation, $teammate, Draft::REPLY)->lockForUpdate()->first();
            if ($draft === null) {
                $draft = (new Draft)->forceFill([
                    'conversation_id' => $message->conversation_id, 'teammate_id' => $teammate->id, 'kind' => Draft::REPLY,
                    'text' => '', 'files' => [],
                ]);
            }
            $draft->forceFill([
                'text' => trim($draft->text) === '' ? $message->text : $message->text."\n\n".$draft->text,
                'files' => [
                    ...$draft->files,
                    ...$message->attachments->map(
                        static fn (Attachment $file): array => [
                            'name' => $file->name, 'type' => $file->media_type, 'size' => $file->size, 'sha256' => $file->sha256,
                            'file' => $file->file,
                        ]
                    )->all(),
                ],
            ])->save();
        });
    }

    /**
     * @throws ConversationRefused when it is on its way already
     */
    public function take(Message $message): void
    {
        DB::transaction(function () use ($message): void {
            $conversation = Conversation::query()->lockForUpdate()->findOrFail($message->conversation_id);
            $item = OutboxItem::query()->where('message_id', $message->id)->lockForUpdate()->firstOrFail();
            if (! $item->canBeCalledBack()) {
                throw ConversationRefused::onItsWay();
            }
            $item->forceFill(['state' => OutboxItem::CALLED_BACK])->save();
            $message->forceFill(['called_back_at' => now()])->save();
            $conversation->setRawAttributes([
                ...$conversation->getAttributes(),
                ...$this->asBefore($message, array_diff_key($item->before ?? [], [self::TAGS => true])),
            ]);
            $conversation->save();
            $conversation->tags()->detach($item->before[self::TAGS] ?? []);
            $this->templates->forget($message);
            $this->journal->record(
                $conversation, JournalKind::CalledBack,
                $message->teammate === null ? Actor::application() : Actor::teammate($message->teammate),
                ['to' => implode(', ', $message->to)]
            );
        });
    }

    /**
     * The conversation as it was, but for what others did in these seconds: what the customer wrote keeps it our
     * turn, another's answer stays one, and so does a state or an owner that somebody gave it since.
     *
     * @param  array<string, mixed>  $before
     * @return array<string, mixed>
     */
    private function asBefore(Message $message, array $before): array
    {
        $answered = (int) JournalEntry::query()->where('message_id', $message->id)->min('id');
        $since = JournalEntry::query()->where('conversation_id', $message->conversation_id)->where('id', '>', $answered)
            ->where(static fn ($others) => $others->whereNull('teammate_id')->orWhere('teammate_id', '!=', $message->teammate_id))
            ->pluck('kind')->unique();
        $gone = match (true) {
            // Somebody else has answered, too: theirs stands.
            $since->contains(JournalKind::Replied) => [...Conversation::STATE, ...self::TURN, 'first_replied_at', 'last_answered_at'],
            $since->contains(JournalKind::MessageReceived) => [...Conversation::STATE, ...self::TURN],
            $since->contains(JournalKind::StateChanged) => Conversation::STATE,
            default => [],
        };

        $columns = [
            [JournalKind::OwnerChanged, Conversation::OWNER], [JournalKind::CategoryChanged, ['category_id']],
            [JournalKind::TeamChanged, ['team_id']], [JournalKind::PriorityChanged, ['priority']],
        ];
        foreach ($columns as [$kind, $itsColumns]) {
            $gone = $since->contains($kind) ? [...$gone, ...$itsColumns] : $gone;
        }

        return array_diff_key($before, array_flip($gone));
    }
}
