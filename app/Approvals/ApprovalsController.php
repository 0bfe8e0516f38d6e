<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Team\SignedIn;
use App\Team\Teammate;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

final readonly class ApprovalsController
{
    public function __construct(private AskApproval $ask, private AnswerApproval $answer) {}

    public function store(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('hold', $conversation);
        $asked = $request->validate([
            'question' => ['required', 'string', 'max:500'],
            'of' => ['nullable', 'integer', Rule::exists('teammates', 'id')->where('may_sign_in', true)],
        ]);
        $of = isset($asked['of']) ? Teammate::query()->findOrFail((int) $asked['of']) : null;
        $this->ask->ask($conversation, $asked['question'], $of, Actor::teammate(SignedIn::teammate($request)));

        return redirect()
            ->route('conversation', $conversation)
            ->with('done', 'Asked '.($of->name ?? 'the leads').'. It is held until there is an answer.');
    }

    public function answer(Request $request, Approval $approval): RedirectResponse
    {
        $answered = $request->validate([
            'answer' => ['nullable', 'string', 'max:500'], 'do' => ['required', Rule::in(['give', 'decline', 'withdraw'])],
        ]);
        Gate::authorize($answered['do'] === 'withdraw' ? 'withdraw' : 'answer', $approval);
        $answered['do'] === 'withdraw'
            ? $this->answer->withdraw($approval, SignedIn::teammate($request))
            : $this->answer->answer(
                $approval, $answered['do'] === 'give', (string) ($answered['answer'] ?? ''), SignedIn::teammate($request)
            );

        return redirect()
            ->route('conversation', $approval->conversation_id)
            ->with('done', ['give' => 'Approved.', 'decline' => 'Declined.', 'withdraw' => 'Withdrawn.'][$answered['do']]);
    }
}
