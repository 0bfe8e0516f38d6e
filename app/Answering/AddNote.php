<?php

declare(strict_types=1);

namespace App\Answering;

use App\Answering\Happened\Noted;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\Journal;
use App\Conversations\Note;
use App\Team\Teammate;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/**
 * Writes a note for the team. Safe to repeat with the same key.
 */
final readonly class AddNote
{
    public function __construct(private Journal $journal) {}

    /**
     * A rule's note is nobody's.
     */
    public function byRule(Conversation $conversation, string $text, string $onceKey): void
    {
        $key = hash('sha256', $onceKey);
        if (trim($text) === '') {
            return;
        }
        DB::transaction(function () use ($conversation, $text, $key): void {
            Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            if (Note::query()->where('once_key', $key)->exists()) {
                return;
            }
            $note = (new Note)->forceFill([
                'conversation_id' => $conversation->id, 'text' => mb_strcut(trim($text), 0, 60_000), 'once_key' => $key,
            ]);
            $note->save();
            $this->journal->record($conversation, new Noted, Actor::application(), note: $note);
        });
    }

    /**
     * @param  string  $onceKey  of the form it was written in
     *
     * @throws ConversationRefused when nothing is written
     */
    public function add(Conversation $conversation, Teammate $teammate, string $text, string $onceKey): Note
    {
        if (trim($text) === '') {
            throw ConversationRefused::emptyNote();
        }
        $key = Note::onceKey($teammate->id, $onceKey);
        try {
            return DB::transaction(function () use ($conversation, $teammate, $text, $key): Note {
                // One at a time, so that an answer being sent either sees this note or comes before it.
                Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
                $note = new Note;
                $note->forceFill([
                    'conversation_id' => $conversation->id,
                    'teammate_id' => $teammate->id,
                    'text' => mb_strcut(trim($text), 0, 60_000),
                    'once_key' => $key,
                ])->save();
                $this->journal->record($conversation, new Noted, Actor::teammate($teammate), note: $note);
                Draft::for($conversation, $teammate, Draft::NOTE)->delete();

                return $note;
            });
        } catch (UniqueConstraintViolationException) {
            return Note::query()->where('once_key', $key)->firstOrFail();
        }
    }
}
