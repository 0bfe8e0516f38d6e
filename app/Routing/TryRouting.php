<?php

declare(strict_types=1);

namespace App\Routing;

use App\Channels\Account;
use App\Channels\ItemKind;
use App\Channels\OutsideItem;
use App\Channels\ReceivedMessage;
use App\Channels\Receives;
use App\Channels\SenderHandle;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalEntry;
use App\Promises\KeepPromises;
use App\Rules\RunRules;
use App\Sorting\WhoMayRead;
use App\Support\RandomUuid;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Where a message would go, and why: it is taken in as it would be, the rules run on it, and all of that is rolled back. Nothing
 * leaves, since what leaves does so only once it is stored for good.
 */
final readonly class TryRouting
{
    public function __construct(
        private Receives $receive, private RunRules $rules, private KeepPromises $promises, private WhoMayRead $whoMayRead
    ) {}

    /**
     * @throws RoutingRefused where it would go on in a conversation that whoever tries it does not read
     */
    public function with(Account $account, string $from, string $subject, string $text, Teammate $by): TriedRouting
    {
        $latest = (int) Conversation::query()->max('id');
        DB::beginTransaction();
        try {
            $outcome = $this->receive->receive($account, $this->message($account, trim($from), $subject, $text));
            if ($outcome->conversation <= $latest && ! $this->whoMayRead->mayReadNumber($by->id, $outcome->conversation)) {
                throw RoutingRefused::goesOnUnread();
            }
            $this->promises->flush();
            $seen = 0;
            for ($deep = 0; $deep < RunRules::DEEPEST; $deep++) {
                $entries = JournalEntry::query()->where('conversation_id', $outcome->conversation)->where('id', '>', $seen)->pluck('id');
                if ($entries->isEmpty()) {
                    break;
                }
                $seen = (int) $entries->max();
                $this->rules->onEntries(array_values(array_map(intval(...), $entries->all())));
            }
            $this->promises->flush();
            $conversation = Conversation::query()->with(['owner', 'team', 'category', 'customer', 'account', 'tags'])
                ->findOrFail($outcome->conversation);

            return new TriedRouting(
                $conversation, $conversation->journal()->with('teammate')->orderBy('id')->get(), $outcome->conversation,
                (string) DB::table('promise_sets')->where('id', $conversation->promise_set_id)->value('name')
            );
        } finally {
            DB::rollBack();
            $this->promises->forget();
        }
    }

    private function message(Account $account, string $from, string $subject, string $text): ReceivedMessage
    {
        $id = 'tried-'.RandomUuid::make();
        if (! $account->channel->isMail()) {
            return ReceivedMessage::item(
                $account->channel, SenderHandle::on($account->channel, $from === '' ? 'somebody' : $from),
                new OutsideItem($id, ItemKind::Message, false, null), $subject, $text, now()->toDateTimeImmutable()
            );
        }

        return new ReceivedMessage(
            $account->channel, hash('sha256', $id), SenderHandle::email($from === '' ? 'somebody@unknown.example' : $from), $id, null, [],
            null, [$account->address], [], null, $subject, $text, null, false, false, [], [], now()->toDateTimeImmutable()
        );
    }
}
