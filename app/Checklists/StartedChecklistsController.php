<?php

declare(strict_types=1);

namespace App\Checklists;

use App\Conversations\Actor;
use App\Conversations\ActsOnConversation;
use App\Conversations\Conversation;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final readonly class StartedChecklistsController
{
    use ActsOnConversation;

    public function __construct(private WorkThroughChecklist $work) {}

    public function start(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $checklist = Checklist::inUse()->findOrFail((int) $request->validate(['checklist' => ['required', 'integer']])['checklist']);
        $this->work->start($conversation, $checklist, Actor::teammate($this->teammate($request)));

        return $this->done($conversation, "“{$checklist->name}” is started.");
    }

    public function tick(Request $request, StartedChecklist $started): RedirectResponse
    {
        $conversation = $started->conversation()->firstOrFail();
        Gate::authorize('note', $conversation);
        $written = $request->validate(['step' => ['required', 'integer', 'min:0'], 'done' => ['required', 'boolean']]);
        $this->work->tick($started, (int) $written['step'], (bool) $written['done'], $this->teammate($request));

        return $this->done($conversation, (bool) $written['done'] ? 'Ticked.' : 'Tick taken back.');
    }
}
