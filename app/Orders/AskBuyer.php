<?php

declare(strict_types=1);

namespace App\Orders;

use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\Happened\Began;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Conversations\Message;
use App\Conversations\PlaceInQueue;
use App\Orders\Happened\BuyerAsked;
use App\Sorting\WhoMayRead;
use App\Store\Store;
use App\Team\Teammate;
use Cairnfield\Core\Mood\Mood;
use Cairnfield\Core\Threading\BareSubject;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Asks who placed an order, at the address that the shop knows, whether it was them who wrote from another. That is a conversation
 * of its own with them, so that nothing of it reaches the stranger, and links to the other.
 */
final readonly class AskBuyer
{
    /** What is asked, by the language of the buyer; the person who sends it can change it. */
    private const TEXTS = [
        'en' => "Hello %s,\n\nsomebody wrote to us about your order %s from an address that we do not know as yours. Was it you? Then a "
            .'short answer to this mail is enough, and we go on. If it was not, you need do nothing: we have told nobody about your order.',
        'de' => "Guten Tag %s,\n\nzu Ihrer Bestellung %s hat uns jemand von einer Adresse geschrieben, die wir nicht als Ihre kennen. "
            .'Waren Sie das? Dann genügt eine kurze Antwort auf diese Mail, und wir machen weiter. Wenn nicht, müssen Sie nichts tun: '
            .'Wir haben niemandem etwas zu Ihrer Bestellung gesagt.',
        'da' => "Hej %s,\n\nnogen har skrevet til os om din ordre %s fra en adresse, som vi ikke kender som din. Var det dig? Så er et "
            .'kort svar på denne mail nok, og vi går videre. Hvis ikke, skal du ikke gøre noget: Vi har ikke fortalt nogen om din ordre.',
        'sv' => "Hej %s,\n\nnågon har skrivit till oss om din beställning %s från en adress som vi inte känner som din. Var det du? Då "
            .'räcker ett kort svar på det här mejlet, så går vi vidare. Om inte behöver du inte göra något: Vi har inte berättat något '
            .'om din beställning för någon.',
        'nl' => "Hallo %s,\n\niemand heeft ons over uw bestelling %s geschreven vanaf een adres dat wij niet als het uwe kennen. Was u "
            .'dat? Dan is een kort antwoord op deze mail genoeg en gaan we verder. Zo niet, dan hoeft u niets te doen: we hebben niemand '
            .'iets over uw bestelling verteld.',
        'fr' => "Bonjour %s,\n\nquelqu’un nous a écrit au sujet de votre commande %s depuis une adresse que nous ne connaissons pas comme "
            .'la vôtre. Était-ce vous ? Une courte réponse à ce message suffit alors, et nous continuons. Sinon, vous n’avez rien à '
            .'faire : nous n’avons rien dit de votre commande à personne.',
    ];

    public function __construct(private SendReply $sendReply, private Journal $journal, private WhoMayRead $whoMayRead) {}

    public static function text(Order $order): string
    {
        $language = $order->customer->language ?? Store::current()->language;

        return sprintf(self::TEXTS[$language] ?? self::TEXTS['en'], $order->buyer_name, $order->marketplace_number ?? $order->number);
    }

    /**
     * Where the buyer is asked, so that who reads it knows it again and cannot give it away; null where no address is known, or
     * there is no mailbox to ask from.
     */
    public static function addressHint(Order $order, Conversation $conversation): ?string
    {
        $address = $order->customer?->handles->where('kind', 'email')->sortBy('id')->value('shown');

        return $address === null || $conversation->account?->answersByMail() === null
            ? null
            : mb_substr((string) $address, 0, 1).'…@'.Str::afterLast((string) $address, '@');
    }

    /**
     * @throws ConversationRefused when nothing is written, or there is no address to ask at
     */
    public function ask(Conversation $conversation, Order $order, Teammate $teammate, string $text, string $onceKey): Conversation
    {
        if (trim($text) === '') {
            throw ConversationRefused::nothingWritten();
        }

        return DB::transaction(function () use ($conversation, $order, $teammate, $text, $onceKey): Conversation {
            $locked = Conversation::query()->lockForUpdate()->with('account')->findOrFail($conversation->id);
            $sent = Message::query()->where('once_key', Message::onceKeyOfReply($teammate->id, $onceKey))->first();
            if ($sent !== null) {
                return Conversation::query()->findOrFail($sent->conversation_id);
            }
            if (self::addressHint($order, $locked) === null) {
                throw ConversationRefused::nobodyToAnswer();
            }
            $asked = $this->begin($locked, $order, $teammate);
            $this->sendReply->send($asked, $teammate, new ReplyToSend(
                $text, [], ConversationState::Waiting, null, $onceKey, 0
            ));
            $this->journal->record($locked, new BuyerAsked(
                new Named($order->id, $order->number), new Named($asked->id, $asked->number())
            ), Actor::teammate($teammate));

            return $asked;
        });
    }

    private function begin(Conversation $from, Order $order, Teammate $teammate): Conversation
    {
        $subject = 'Your order '.($order->marketplace_number ?? $order->number);
        $account = $from->account->answersByMail() ?? throw ConversationRefused::nobodyToAnswer();
        $asked = Conversation::begin([
            'subject' => $subject,
            'bare_subject_key' => hash('sha256', BareSubject::of($subject)->text),
            'customer_id' => (int) $order->customer_id,
            'customer_place' => PlaceInQueue::placeOf((int) $order->customer_id),
            'account_id' => $account->id,
            'channel' => $account->channel,
            'state' => ConversationState::Open,
            'team_id' => $from->team_id,
            'category_id' => $this->whoMayRead->staysIn($from->category_id),
            'owner_id' => $teammate->id,
            'linked_conversation_id' => $from->id,
            'language' => $order->customer?->language,
            'mood' => Mood::Neutral,
            'preview' => $subject,
            'last_message_at' => now(),
        ]);
        $this->journal->record($asked, new Began(new Named($from->id, $from->number())), Actor::teammate($teammate), 'to ask whose it is');

        return $asked;
    }
}
