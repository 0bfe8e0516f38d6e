<?php

declare(strict_types=1);

namespace App\Receiving\Calls;

use App\Conversations\Conversation;
use App\Customers\Customer;
use App\Customers\FindCustomers;
use App\Support\RandomUuid;
use App\Support\Written;
use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

final readonly class CallController
{
    private const MOST_PEOPLE = 4;

    public function __construct(private WriteDownCall $writeDownCall, private FindCustomers $find) {}

    public function create(Request $request): View
    {
        Gate::authorize('note', Conversation::class);
        $inDialog = $request->header('HX-Request') !== null;

        return view($inDialog ? 'channels.call-form' : 'channels.call', ['onceKey' => RandomUuid::make(), 'inDialog' => $inDialog]);
    }

    /**
     * Those it may be, while a name is being written.
     */
    public function who(Request $request): View
    {
        Gate::authorize('note', Conversation::class);
        $who = trim(Written::text($request, 'who'));

        return view(
            'channels.call-people', ['people' => mb_strlen($who) < 3 ? collect() : $this->find->beginning($who, self::MOST_PEOPLE)]
        );
    }

    /**
     * From the dialog: one stays where one is. From the page: on to the conversation.
     */
    public function store(Request $request): RedirectResponse|Response
    {
        Gate::authorize('note', Conversation::class);
        $teammate = SignedIn::teammate($request);
        $written = $request->validate([
            'who' => ['required', 'string', 'max:200'],
            'notes' => ['nullable', 'string', 'max:100000'],
            'once' => ['required', 'uuid'],
            'customer' => ['nullable', 'integer', 'exists:customers,id'],
        ], ['who.required' => 'Write a name, a telephone number or an order number, so that the call can be found again.']);
        $conversation = $this->writeDownCall->write(
            $teammate, $written['who'], (string) ($written['notes'] ?? ''), $written['once'],
            isset($written['customer']) ? Customer::query()->find((int) $written['customer']) : null
        );
        if ($request->header('HX-Request') !== null) {
            return response(view('channels.call-done', ['conversation' => $conversation->load(['customer', 'orders'])])->render());
        }

        return redirect()->route('conversation', $conversation)->with('done', 'The call is written down.');
    }
}
