<?php

declare(strict_types=1);

namespace App\Routing;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Team\SignedIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final readonly class ReachUpwardsController
{
    public function __construct(private ReachUpwards $reach) {}

    public function store(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('take', $conversation);
        $given = $request->validate(['reason' => ['required', 'string', 'max:300']], [
            'reason.required' => 'Write why a lead is needed, in a few words.',
        ]);
        $lead = $this->reach->reach($conversation, $given['reason'], Actor::teammate(SignedIn::teammate($request)));

        return redirect("/conversations/{$conversation->id}")->with('done', "It lies with {$lead->name} now.");
    }
}
