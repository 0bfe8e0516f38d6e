<?php

declare(strict_types=1);

namespace App\Routing;

use App\Channels\Account;
use App\Conversations\Journal\JournalSentence;
use App\Support\RefusedInput;
use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/**
 * How what comes in is handed out: a picture of it as it stands, and a field to try a message.
 */
final readonly class RoutingController
{
    public function __construct(private JournalSentence $sentence) {}

    public function show(): View
    {
        return $this->page(null);
    }

    public function try(Request $request, TryRouting $try): View
    {
        $given = $request->validate([
            'account' => ['required', 'integer', Rule::exists('accounts', 'id')], 'from' => ['nullable', 'string', 'max:200'],
            'subject' => ['nullable', 'string', 'max:300'], 'text' => ['required', 'string', 'max:20000'],
        ]);
        RefusedInput::showAgain($request);

        return $this->page($try->with(
            Account::query()->findOrFail((int) $given['account']), (string) ($given['from'] ?? ''), (string) ($given['subject'] ?? ''),
            $given['text'], SignedIn::teammate($request)
        ));
    }

    private function page(?TriedRouting $tried): View
    {
        return view('routing.show', [
            'accounts' => Account::query()->orderBy('id')->get()->filter(
                static fn (Account $account): bool => $account->channel->bringsMessages()
            ),
            'sentence' => $this->sentence,
            'tried' => $tried, 'was' => RefusedInput::in('/routing'), 'picture' => RoutingPicture::draw(),
        ]);
    }
}
