<?php

declare(strict_types=1);

namespace App\Checklists;

use App\Conversations\Actor;
use App\Conversations\Changes\Change;
use App\Conversations\Changes\ChangeRefused;
use App\Conversations\Changes\ChangeUse;
use App\Conversations\Changes\Chosen;
use App\Conversations\Changes\Reference;
use App\Conversations\Changes\ThingsInUse;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;

/**
 * Steps to go through.
 */
final class ChecklistChange extends Change
{
    public function __construct(private readonly WorkThroughChecklist $checklists) {}

    public function key(): string
    {
        return 'checklist';
    }

    public function phrase(): string
    {
        return 'start the checklist';
    }

    public function group(): string
    {
        return 'Checklists';
    }

    public function choices(ChangeUse $use): array
    {
        return Checklist::inUse()->pluck('name', 'id')->all();
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        return '“'.($things->one(Checklist::inUse(), $chosen->value)->name ?? throw ChangeRefused::gone('a checklist', $chosen->value)).'”';
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        $this->checklists->start($conversation, Checklist::query()->findOrFail($chosen->id()), $actor, $why);
    }

    public function briefly(Chosen $chosen, string $words): string
    {
        return "checklist {$words}";
    }

    public function references(Chosen $chosen): array
    {
        return Reference::toNumber(Checklist::class, $chosen->value);
    }

    public function records(): array
    {
        return [JournalKind::ChecklistStarted];
    }
}
