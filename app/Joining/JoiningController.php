<?php

declare(strict_types=1);

namespace App\Joining;

use App\Conversations\ActsOnConversation;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Message;
use App\Team\SignedIn;
use Cairnfield\Core\Threading\ConversationNumber;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/**
 * Making one conversation of several, several of one, and undoing either.
 */
final readonly class JoiningController
{
    use ActsOnConversation;

    private const MOST = 50;

    public function __construct(private JoinConversations $joinConversations, private SplitOff $splitOff) {}

    /**
     * Those chosen in a list, to say into which one the others go.
     */
    public function choose(Request $request): View|RedirectResponse
    {
        Gate::authorize('answer-customers');
        $ids = array_slice(array_map(intval(...), array_filter((array) $request->query('ids'), is_numeric(...))), 0, self::MOST);
        $conversations = Conversation::readable()->whereKey($ids)->with(['customer', 'account', 'owner'])->orderBy('id')->get();

        return $conversations->count() < 2
            ? redirect('/queue')->with('problem', 'Choose two conversations or more to join them into one.')
            : view('joining.choose', ['conversations' => $conversations]);
    }

    public function joinChosen(Request $request): RedirectResponse
    {
        Gate::authorize('answer-customers');
        $chosen = $request->validate([
            'into' => ['required', 'integer', 'exists:conversations,id'], 'ids' => ['required', 'array', 'max:'.self::MOST],
            'ids.*' => ['integer'],
        ]);
        $into = Conversation::query()->findOrFail((int) $chosen['into']);
        Gate::authorize('resolve', $into);
        $others = Conversation::readable()
            ->whereKey(array_diff(array_map(intval(...), $chosen['ids']), [$into->id]))
            ->orderBy('id')
            ->get()
            ->all();

        return $this->join($request, $into, array_values($others));
    }

    /**
     * By the number, as it is written.
     */
    public function joinOther(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('resolve', $conversation);
        $written = trim(
            $request->validate(
                ['other' => ['required', 'string', 'max:20']],
                ['other.required' => 'Write the number of the other one, such as C-1042.']
            )['other']
        );
        $number = preg_match('/^(?:c-?)?(\d{1,15})$/iD', $written, $digits) === 1 ? (int) $digits[1] : 0;
        $other = $number === 0 ? null : Conversation::readable()->find($number);
        if ($other === null) {
            throw ConversationRefused::noSuchNumber($written);
        }

        return $this->join($request, $conversation, [$other]);
    }

    public function separate(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('resolve', $conversation);
        $this->joinConversations->separate($conversation, SignedIn::teammate($request));

        return $this->done($conversation, 'It is a conversation of its own again.');
    }

    public function split(Request $request, Message $message): RedirectResponse
    {
        $conversation = $message->conversation()->firstOrFail();
        Gate::authorize('resolve', $conversation);
        $own = $this->splitOff->split($message, SignedIn::teammate($request));

        return $this->done($own, "Split off from {$conversation->number()}. Joining the two again undoes it.");
    }

    /**
     * @param  list<Conversation>  $others
     */
    private function join(Request $request, Conversation $into, array $others): RedirectResponse
    {
        $this->joinConversations->join($into, $others, SignedIn::teammate($request));
        $numbers = implode(', ', array_map(static fn (Conversation $other): string => ConversationNumber::show($other->id), $others));

        return $this->done(
            $into,
            "{$numbers} ".(
                count($others) === 1 ? 'is' : 'are'
            ).' part of this one now. It can be separated again under “This conversation”.'
        );
    }
}
