<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Answering\AddNote;
use App\Conversations\ActsOnConversation;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\Chosen;
use App\Conversations\Conversation;
use App\Conversations\TakeConversation;
use App\Support\RandomUuid;
use App\Team\SignedIn;
use App\Team\Teammate;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final readonly class OwnershipController
{
    use ActsOnConversation;

    public function __construct(private TakeConversation $take, private Changes $changes, private AddNote $addNote) {}

    public function next(Request $request): RedirectResponse
    {
        Gate::authorize('take', Conversation::class);
        $after = Conversation::query()->find($request->integer('after'));
        $next = $this->take->takeNext(SignedIn::teammate($request), $after);

        return $next === null
            ? redirect()->route('queue')->with('problem', 'There is nothing left that is yours to answer or that nobody has.')
            : redirect()->route('conversation', $next);
    }

    public function take(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('take', $conversation);
        $this->take->take($conversation, SignedIn::teammate($request));

        return $this->done($conversation, 'It is yours.');
    }

    public function assign(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('take', $conversation);
        $chosen = $request->validate([
            'owner' => ['nullable', 'integer', 'exists:teammates,id'], 'word' => ['nullable', 'string', 'max:1000'],
        ]);
        $owner = isset($chosen['owner']) ? Teammate::query()->findOrFail((int) $chosen['owner']) : null;
        $teammate = SignedIn::teammate($request);
        $owner?->is($teammate) && $this->take->refuseUnlessFree($conversation, $teammate);
        $this->changes->byHand('assign_person', $conversation, new Chosen((string) ($owner?->id)), $teammate);
        $word = trim((string) ($chosen['word'] ?? ''));
        if ($word !== '') {
            $this->addNote->add(
                $conversation, $teammate, ($owner === null ? '' : "@{$owner->firstName()}: ").$word, RandomUuid::make()
            );
        }

        return $this->done($conversation, $owner === null ? 'It is nobody’s yet.' : "It lies with {$owner->name}.");
    }
}
