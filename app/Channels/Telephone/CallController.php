<?php

declare(strict_types=1);

namespace App\Channels\Telephone;

use App\Inbox\Conversation;
use App\Team\Teammate;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;

final readonly class CallController
{
    public function __construct(private WriteDownCall $writeDownCall) {}

    public function create(Request $request): View
    {
        Gate::authorize('note', Conversation::class);
        $inDialog = $request->header('HX-Request') !== null;

        return view($inDialog ? 'channels.call-form' : 'channels.call', ['onceKey' => Str::uuid()->toString(), 'inDialog' => $inDialog]);
    }

    /**
     * From the dialog: one stays where one is. From the page: on to the conversation.
     */
    public function store(Request $request): RedirectResponse|Response
    {
        Gate::authorize('note', Conversation::class);
        $teammate = $request->user();
        abort_unless($teammate instanceof Teammate, 401);
        $written = $request->validate([
            'who' => ['required', 'string', 'max:200'],
            'notes' => ['nullable', 'string', 'max:100000'],
            'once' => ['required', 'uuid'],
        ], ['who.required' => 'Write a name, a telephone number or an order number, so that the call can be found again.']);
        $conversation = $this->writeDownCall->write($teammate, $written['who'], (string) ($written['notes'] ?? ''), $written['once']);
        if ($request->header('HX-Request') !== null) {
            return response(view('channels.call-done', ['conversation' => $conversation->load(['customer', 'orders'])])->render());
        }

        return redirect()->route('conversation', $conversation)->with('done', 'The call is written down.');
    }
}
