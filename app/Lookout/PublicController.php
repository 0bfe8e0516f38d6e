<?php

declare(strict_types=1);

namespace App\Lookout;

use App\Answering\Happened\Liked;
use App\Answering\Happened\Reposted;
use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\ChannelType;
use App\Channels\Services\PublicNetwork;
use App\Channels\Services\ServiceType;
use App\Conversations\Actor;
use App\Conversations\ChannelItem;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Receiving\TakeItem;
use App\Sorting\WhoMayRead;
use App\Support\RandomUuid;
use App\Support\Written;
use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/**
 * What was said in public: all of it, whether it became a conversation or not.
 */
final readonly class PublicController
{
    private const ROWS = 40;

    public function __construct(private Journal $journal, private WhoMayRead $whoMayRead) {}

    public function index(Request $request): View
    {
        $account = Written::number($request, 'account');
        $only = $request->query('only') === 'listed' ? 'listed' : 'all';

        return view('public.index', [
            'items' => $this->whoMayRead->narrowWhatTellsOf(ChannelItem::query(), 'channel_items.conversation_id')
                ->where('public', true)
                ->when($account !== null, fn ($items) => $items->where('account_id', $account))
                ->when($only === 'listed', fn ($items) => $items->whereNull('conversation_id'))
                ->with(['account', 'conversation.owner'])
                ->orderByDesc('posted_at')
                ->orderByDesc('id')
                ->simplePaginate(self::ROWS)
                ->withQueryString(),
            'account' => $account,
            'only' => $only,
            'accounts' => Account::query()
                ->whereIn('channel', Channel::those(
                    static fn (ChannelType $type): bool => $type instanceof ServiceType && $type->bringsMessages()
                ))
                ->orderBy('id')
                ->get(),
            'postAccounts' => $this->postAccounts(),
            'ownPosts' => OwnPost::query()->with(['account', 'teammate'])->orderByDesc('created_at')->orderByDesc('id')->limit(8)->get(),
            'onceKey' => RandomUuid::make(),
        ]);
    }

    /**
     * What belongs to a conversation is for those who read it.
     */
    private static function authorizeFor(ChannelItem $item): void
    {
        Gate::authorize('reply', $item->conversation()->first() ?? Conversation::class);
    }

    public function makeConversation(ChannelItem $item, TakeItem $takeItem): RedirectResponse
    {
        self::authorizeFor($item);
        $outcome = $takeItem->makeConversation($item);

        return redirect()
            ->route('conversation', $outcome->conversation)
            ->with('done', $outcome->isNew ? 'It is a conversation now.' : 'It is a conversation already: this one.');
    }

    public function react(Request $request, ChannelItem $item): RedirectResponse
    {
        self::authorizeFor($item);
        $what = $request->validate(['what' => ['required', Rule::in(React::possible($item->account))]])['what'];
        $column = React::column($what);
        $undo = DB::transaction(function () use ($request, $item, $what, $column): bool {
            $locked = ChannelItem::query()->lockForUpdate()->with('conversation')->findOrFail($item->id);
            $undo = $locked->getAttribute($column) !== null;
            $locked->forceFill([$column => $undo ? null : now()])->save();
            if ($locked->conversation !== null) {
                $this->journal->record(
                    $locked->conversation,
                    $what === PublicNetwork::LIKE ? new Liked($undo) : new Reposted($undo),
                    Actor::teammate(SignedIn::teammate($request)),
                );
            }
            React::dispatch($locked->id, $what, $undo)->afterCommit();

            return $undo;
        });

        return back()->with('done', match (true) {
            $undo => 'Taken back.',
            $what === PublicNetwork::LIKE => 'Liked in public.',
            default => 'Re-posted in public.',
        });
    }

    public function post(Request $request): RedirectResponse
    {
        Gate::authorize('reply', Conversation::class);
        $teammate = SignedIn::teammate($request);
        $written = $request->validate([
            'account' => ['required', Rule::in($this->postAccounts()->modelKeys())],
            'text' => ['required', 'string', 'max:5000'],
            'once' => ['required', 'uuid'],
        ]);
        $account = Account::query()->findOrFail((int) $written['account']);
        $text = trim($written['text']);
        $longest = $account->channel->type()->longestAnswer();
        if ($longest !== null && mb_strlen($text) > $longest) {
            return back()
                ->withInput()
                ->with('problem', "{$account->channel->label()} takes at most {$longest} characters; this has ".mb_strlen($text).'.');
        }
        $post = new OwnPost;
        try {
            $post->forceFill([
                'account_id' => $account->id, 'teammate_id' => $teammate->id, 'text' => $text, 'state' => OwnPost::DUE,
                'once_key' => hash('sha256', "post:{$teammate->id}:{$written['once']}"),
            ])->save();
            PublishPost::dispatch($post->id);
        } catch (UniqueConstraintViolationException) {
            // The same form sent twice: the post is on its way.
        }

        return redirect('/public')->with('done', "It is being posted as {$account->address}.");
    }

    /**
     * @return Collection<int, Account>
     */
    private function postAccounts(): Collection
    {
        return Account::query()
            ->whereIn('channel', Channel::those(static fn (ChannelType $type): bool => $type instanceof PublicNetwork))
            ->where('state', AccountState::Active)
            ->orderBy('id')
            ->get();
    }
}
