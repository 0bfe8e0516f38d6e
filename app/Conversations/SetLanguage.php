<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Happened\LanguageChanged;
use App\Conversations\Journal\Journal;
use Illuminate\Support\Facades\DB;

/**
 * Says in which language a conversation is, where it was not told from the text or told wrong: templates answer in it.
 */
final readonly class SetLanguage
{
    public function __construct(private Journal $journal) {}

    /**
     * @param  string  $language  ISO 639-1, one of `Languages`
     */
    public function set(Conversation $conversation, string $language, Actor $actor, string $why = ''): void
    {
        DB::transaction(function () use ($conversation, $language, $actor, $why): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            if ($locked->language === $language) {
                return;
            }
            $from = $locked->language;
            $locked->forceFill(['language' => $language])->save();
            $this->journal->record($locked, new LanguageChanged($from, $language), $actor, $why);
        });
    }
}
