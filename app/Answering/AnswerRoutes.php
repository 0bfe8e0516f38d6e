<?php

declare(strict_types=1);

namespace App\Answering;

use App\Channels\Account;
use App\Channels\ItemKind;
use App\Conversations\Conversation;
use App\Conversations\Message;
use Illuminate\Database\Eloquent\Collection;

/**
 * The ways in which a conversation can be answered, the way of the customer's last message first.
 */
final class AnswerRoutes
{
    private const LATEST = 20;

    /**
     * @param  Collection<int, Message>|null  $said  what was said in it, with the accounts, where that was fetched already
     * @return list<AnswerRoute>
     */
    public function of(Conversation $conversation, ?Collection $said = null): array
    {
        $messages = $said === null
            ? $this->latest($conversation)
            : $said->where('direction', Message::IN)->whereNull('partner_thread_id')->sortByDesc('id')->take(self::LATEST)->values();
        $routes = [];
        foreach ($messages as $message) {
            foreach ($this->ofMessage($message) as $route) {
                $routes[$route->key] ??= $route;
            }
        }

        return array_values($routes) ?: $this->byKnownAddress($conversation, $messages);
    }

    /**
     * @return Collection<int, Message>
     */
    private function latest(Conversation $conversation): Collection
    {
        return Message::query()
            ->whereIn('conversation_id', $conversation->withJoined())
            ->where('direction', Message::IN)
            ->whereNull('partner_thread_id')
            ->with('account')
            ->orderByDesc('id')
            ->limit(self::LATEST)
            ->get();
    }

    /**
     * @return list<AnswerRoute>
     */
    private function ofMessage(Message $message): array
    {
        $account = $message->account;
        if (! $account->channel->takesAnswers() || $account->channel->isMail()) {
            $address = $message->reply_to ?: $message->from_address;
            $from = $account->answersByMail();

            return ! str_contains($address, '@') || $from === null
                ? []
                : [$this->route($from, ItemKind::Message, false, $address, $message)];
        }
        $to = $message->from_address;
        if (! $account->channel->isNetwork()) {
            return [$this->route($account, $message->kind, $message->public, $to, $message)];
        }
        $direct = $this->route($account, ItemKind::Direct, false, $to, $message);

        return $message->public ? [$this->route($account, $message->kind, true, $to, $message), $direct] : [$direct];
    }

    /**
     * A call gives no way back: then the address that is known of the customer.
     *
     * @param  Collection<int, Message>  $messages
     * @return list<AnswerRoute>
     */
    private function byKnownAddress(Conversation $conversation, Collection $messages): array
    {
        $address = $conversation->customer()->firstOrFail()->handles()->where('kind', 'email')->orderBy('id')->value('shown');
        $account = $conversation->account()->firstOrFail()->answersByMail();

        return $address === null || ! $account instanceof Account
            ? []
            : [$this->route($account, ItemKind::Message, false, (string) $address, $messages->first())];
    }

    private function route(Account $account, ItemKind $kind, bool $public, string $to, ?Message $answers): AnswerRoute
    {
        return new AnswerRoute(
            "{$account->id}:{$kind->value}:".substr(hash('sha256', mb_strtolower($to)), 0, 8), $account, $kind, $public, $to,
            $answers
        );
    }
}
