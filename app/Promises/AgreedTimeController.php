<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conversations\Conversation;
use App\Support\LocalTime;
use App\Team\SignedIn;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * For one conversation: all that is and was promised in it, and the time that a person agrees by hand.
 */
final readonly class AgreedTimeController
{
    public function __construct(private AgreeTime $agree, private LocalTime $time) {}

    public function show(Conversation $conversation, ConversationPromises $promises): View
    {
        Gate::authorize('view', $conversation);

        return view('promises.of-conversation', [
            'conversation' => $conversation, ...$promises->of($conversation),
            'mayAgree' => ! $conversation->state->isDone() && Gate::allows('reply', $conversation),
            'holds' => AgreedTime::query()->where('conversation_id', $conversation->id)->whereNull('ended_at')->exists(),
        ]);
    }

    public function store(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('reply', $conversation);
        $given = $request->validate(['at' => ['required', 'date_format:Y-m-d\TH:i'], 'reason' => ['required', 'string', 'max:300']], [
            'at.*' => 'Choose the day and the time.', 'reason.required' => 'Write why, in a few words: what was said to the customer.',
        ]);
        $at = CarbonImmutable::createFromFormat('!Y-m-d\TH:i', $given['at'], $this->time->zone());
        assert($at instanceof CarbonImmutable);
        $this->agree->agree($conversation, $at->utc(), $given['reason'], SignedIn::teammate($request));

        return redirect("/conversations/{$conversation->id}")->with('done', "Agreed: {$this->time->short($at)}.");
    }

    public function takeBack(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('reply', $conversation);
        $this->agree->takeBack($conversation, SignedIn::teammate($request));

        return redirect("/conversations/{$conversation->id}")->with('done', 'What is promised counts alone again.');
    }
}
