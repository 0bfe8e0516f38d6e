<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;
use App\Conversations\SetLanguage;
use App\Support\Languages;
use Illuminate\Database\Eloquent\Collection;

/**
 * In which language it is answered.
 */
final class LanguageChange extends Change
{
    public function __construct(private readonly SetLanguage $set) {}

    public function key(): string
    {
        return 'set_language';
    }

    public function phrase(): string
    {
        return 'set the language to';
    }

    public function group(): string
    {
        return 'Language';
    }

    public function choices(ChangeUse $use): array
    {
        return Languages::all();
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        return Languages::has($chosen->value)
            ? Languages::name($chosen->value)
            : throw ChangeRefused::because('choose a language.');
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        $this->set->set($conversation, $chosen->value, $actor, $why);
    }

    public function alreadySo(Collection $conversations, Chosen $chosen): array
    {
        return self::those(
            $conversations, static fn (Conversation $one): bool => $one->language === $chosen->value, 'it is in this language'
        );
    }

    public function records(): array
    {
        return [JournalKind::LanguageChanged];
    }
}
