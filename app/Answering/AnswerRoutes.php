<?php

declare(strict_types=1);

namespace App\Answering;

use App\Channels\Account;
use App\Channels\ItemKind;
use App\Channels\Mail\AutomaticMail;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Customers\Handle;
use Illuminate\Database\Eloquent\Collection;

/**
 * The ways in which a conversation can be answered: first the way by which its customer wrote last as themselves, then those of
 * others who took part. A machine is never answered. Where a mail asks for answers at an address that takes no part, that one is
 * offered and marked, behind the address that wrote: anybody can write such a mail in somebody’s name.
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
        $own = self::ownAddresses($conversation);
        [$byCustomer, $byOthers] = $messages->partition(static fn (Message $message): bool => ! $message->account->channel->isMail()
            || in_array(mb_strtolower($message->from_address), $own, true));
        $routes = [];
        $known = $this->knownAddresses($conversation, $messages, $own);
        foreach ([...$byCustomer, ...$byOthers] as $message) {
            foreach ($this->ofMessage($message, $known, $own !== []) as $route) {
                $routes[$route->key] ??= $route;
            }
        }

        return array_values($routes) ?: $this->byKnownAddress($conversation, $messages);
    }

    /**
     * At which addresses its customer is known, in small letters; of all that is joined in it.
     *
     * @return list<string>
     */
    public static function ownAddresses(Conversation $conversation): array
    {
        $conversation->loadMissing(['customer.handles', 'joined.customer.handles']);
        $own = [];
        foreach ([$conversation, ...$conversation->joined] as $part) {
            array_push($own, ...$part->customer->handles->where('kind', 'email')->pluck('value')->all());
        }

        return array_values(array_unique($own));
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
     * The addresses that take part: those of the customer, and whom we wrote to. That somebody wrote says nothing: a stranger can
     * write, and then ask in the customer’s name for answers to themselves. What we wrote is only looked at where it matters.
     *
     * @param  Collection<int, Message>  $messages  what came in
     * @param  list<string>  $own
     * @return list<string> in small letters
     */
    private function knownAddresses(Conversation $conversation, Collection $messages, array $own): array
    {
        $isOther = static fn (?string $address): bool => $address !== null && ! in_array(mb_strtolower($address), $own, true);
        $comesFromElsewhere = $messages->contains(
            static fn (Message $message): bool => $isOther($message->reply_to)
                || ($message->account->channel->isMail() && $isOther($message->from_address))
        );
        $answers = ! $comesFromElsewhere ? [] : Message::query()
            ->whereIn('conversation_id', $conversation->withJoined())
            ->where('direction', Message::OUT)
            ->whereNull('partner_thread_id')
            ->orderByDesc('id')
            ->limit(self::LATEST)
            ->get(['id', 'to']);
        $known = $own;
        foreach ($answers as $answer) {
            array_push($known, ...array_map(mb_strtolower(...), $answer->to));
        }

        return array_values(array_unique($known));
    }

    /**
     * @param  list<string>  $known  addresses that take part
     * @param  bool  $isKnown  whether any address of the customer is known; else whoever wrote is all that there is
     * @return list<AnswerRoute>
     */
    private function ofMessage(Message $message, array $known, bool $isKnown): array
    {
        $account = $message->account;
        if (! $account->channel->takesAnswers() || $account->channel->isMail()) {
            return $this->byMail($message, $known, $isKnown);
        }
        $to = $message->from_address;
        if (! $account->channel->isNetwork()) {
            return [$this->route($account, $message->kind, $message->public, $to, $message)];
        }
        $direct = $this->route($account, ItemKind::Direct, false, $to, $message);

        return $message->public ? [$this->route($account, $message->kind, true, $to, $message), $direct] : [$direct];
    }

    /**
     * @param  list<string>  $known
     * @return list<AnswerRoute>
     */
    private function byMail(Message $message, array $known, bool $isKnown): array
    {
        $from = $message->account->answersByMail();
        $asked = (string) $message->reply_to;
        // What a form or a call gives is all that there is; in a mail it is but what its writer says.
        $isSure = ! $message->account->channel->isMail() || in_array(mb_strtolower($asked), $known, true);
        $isStranger = $isKnown && $message->account->channel->isMail() && ! in_array(mb_strtolower($message->from_address), $known, true);
        $addresses = match (true) {
            $asked === '', mb_strtolower($asked) === mb_strtolower($message->from_address) => [$message->from_address => $isStranger],
            $isSure => [$asked => false],
            default => [$message->from_address => $isStranger, $asked => true],
        };
        $routes = [];
        foreach ($from === null ? [] : $addresses as $address => $isStrange) {
            $address = (string) $address;
            if (str_contains($address, '@') && ! AutomaticMail::isNobody($address)) {
                $routes[] = $this->route($from, ItemKind::Message, false, $address, $message, $isStrange);
            }
        }

        return $routes;
    }

    /**
     * A call gives no way back: then the address that is known of the customer.
     *
     * @param  Collection<int, Message>  $messages
     * @return list<AnswerRoute>
     */
    private function byKnownAddress(Conversation $conversation, Collection $messages): array
    {
        $address = $conversation->customer->handles
            ->where('kind', 'email')
            ->sortBy('id')
            ->reject(static fn (Handle $handle): bool => AutomaticMail::isNobody($handle->value))
            ->value('shown');
        $account = $conversation->account()->firstOrFail()->answersByMail();

        return $address === null || ! $account instanceof Account
            ? []
            : [$this->route($account, ItemKind::Message, false, (string) $address, $messages->first())];
    }

    private function route(
        Account $account, ItemKind $kind, bool $public, string $to, ?Message $answers, bool $isStrange = false
    ): AnswerRoute {
        return new AnswerRoute(
            "{$account->id}:{$kind->value}:".substr(hash('sha256', mb_strtolower($to)), 0, 8), $account, $kind, $public, $to,
            $answers, $isStrange
        );
    }
}
