<?php

declare(strict_types=1);

namespace App\Answering;

use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\Mail\AutomaticMail;
use App\Conversations\Conversation;
use App\Conversations\Message;
use Cairnfield\Core\Mail\SenderCheck;
use Illuminate\Database\Eloquent\Collection;

/**
 * Who takes part in a conversation beside the customer: whoever was in copy of what was written last, and who wrote it.
 */
final class PeopleInCopy
{
    private const MOST = 20;

    /**
     * Whom an answer goes to in copy, unless its author says otherwise.
     *
     * @param  Collection<int, Message>  $said  what was said in it
     * @param  list<AnswerRoute>  $routes  by which it can be answered, the one first that is meant
     * @return list<string>
     */
    public function of(Conversation $conversation, Collection $said, array $routes): array
    {
        $last = $said
            ->where('direction', Message::IN)
            ->whereNull('partner_thread_id')
            ->reject(static fn (Message $message): bool => $message->automatic)
            ->sortByDesc('id')
            ->first();
        $isAllMail = array_filter($routes, static fn (AnswerRoute $route): bool => ! $route->account->channel->isMail()) === [];
        if ($last === null || $last->sender_check === SenderCheck::Failed) {
            return [];
        }
        if ($routes === [] || ! $isAllMail || ! $last->account->channel->isMail()) {
            return [];
        }
        $people = [];
        foreach ([$last->from_address, ...$last->to, ...$last->cc] as $address) {
            $people[self::key($address)] ??= $address;
        }
        unset($people[self::key($routes[0]->to)], $people[self::key((string) $last->reply_to)]);
        foreach (AnswerRoutes::ownAddresses($conversation) as $own) {
            // The customer at another of their addresses is the customer still.
            unset($people[$own]);
        }
        $people = array_filter($people, static fn (string $address): bool => str_contains($address, '@')
            && ! AutomaticMail::isNobody($address));

        return $people === [] ? [] : array_slice(array_values(array_diff_key($people, $this->ours())), 0, self::MOST);
    }

    /**
     * @return array<string, true>
     */
    private function ours(): array
    {
        $ours = [];
        foreach (Account::query()->whereIn('channel', Channel::mail())->pluck('address') as $address) {
            $ours[self::key((string) $address)] = true;
        }

        return $ours;
    }

    /**
     * Without what was added to it for one conversation, such as `care+c1144.x@…`.
     */
    private static function key(string $address): string
    {
        return (string) preg_replace('/\+[^@]*(?=@)/', '', mb_strtolower(trim($address)));
    }
}
