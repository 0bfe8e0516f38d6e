<?php

declare(strict_types=1);

namespace App\Checklists;

use App\Conversations\ActsOnConversation;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\Chosen;
use App\Conversations\Conversation;
use App\Team\SignedIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final readonly class StartedChecklistsController
{
    use ActsOnConversation;

    public function __construct(private WorkThroughChecklist $work, private Changes $changes) {}

    public function start(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $checklist = Checklist::inUse()->findOrFail((int) $request->validate(['checklist' => ['required', 'integer']])['checklist']);
        $this->changes->byHand('checklist', $conversation, new Chosen((string) $checklist->id), SignedIn::teammate($request));

        return $this->done($conversation, "“{$checklist->name}” is started.");
    }

    public function tick(Request $request, StartedChecklist $started): RedirectResponse
    {
        $conversation = $started->conversation()->firstOrFail();
        Gate::authorize('note', $conversation);
        $written = $request->validate(['step' => ['required', 'integer', 'min:0'], 'done' => ['required', 'boolean']]);
        $this->work->tick($started, (int) $written['step'], (bool) $written['done'], SignedIn::teammate($request));

        return $this->done($conversation, (bool) $written['done'] ? 'Ticked.' : 'Tick taken back.');
    }
}
