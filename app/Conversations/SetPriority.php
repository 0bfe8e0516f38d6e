<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Happened\PriorityChanged;
use App\Conversations\Journal\Journal;
use Cairnfield\Core\Queue\Priority;
use Illuminate\Support\Facades\DB;

final readonly class SetPriority
{
    public function __construct(private Journal $journal) {}

    public function set(Conversation $conversation, Priority $priority, Actor $actor, string $why = ''): void
    {
        DB::transaction(function () use ($conversation, $priority, $actor, $why): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            if ($locked->priority === $priority) {
                return;
            }
            $from = $locked->priority;
            $locked->forceFill(['priority' => $priority])->save();
            $this->journal->record($locked, new PriorityChanged($from, $priority), $actor, $why);
        });
    }
}
