<?php

declare(strict_types=1);

namespace App\History;

use App\Answering\Happened\Replied;
use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\Mail\MailParser;
use App\Channels\Mail\UnreadableMailException;
use App\Channels\ReceivedMessage;
use App\Channels\RedactArrival;
use App\Channels\SenderHandle;
use App\Companies\Company;
use App\Companies\PutIntoCompany;
use App\Companies\SaveCompany;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Journal\Cause;
use App\Conversations\Journal\CauseKind;
use App\Conversations\Journal\CurrentCause;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Conversations\Message;
use App\Customers\Customer;
use App\Customers\FindOrAddCustomer;
use App\Customers\TelephoneNumber;
use App\History\Happened\Imported;
use App\Receiving\Arrival;
use App\Receiving\FindThread;
use App\Receiving\Happened\MessageReceived;
use App\Receiving\PrepareArrival;
use App\Receiving\StoreArrival;
use App\Sorting\Category;
use App\Team\Teammate;
use Cairnfield\Core\Text\Folding;
use Cairnfield\Core\Threading\BareSubject;
use Cairnfield\Core\Threading\ConversationNumber;
use Carbon\CarbonImmutable;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Throwable;

/**
 * Stores what is taken over from elsewhere: as closed conversations, at the time it was written.
 * Nobody is waited for, nothing is sent and no rule looks at it. Each message is stored once, also
 * where it came by itself before.
 */
final readonly class StoreHistory
{
    private const OLDEST_YEAR = 1990;

    private const LONGEST_HEAD = 100_000;

    public function __construct(
        private MailParser $parser,
        private PrepareArrival $prepare,
        private RedactArrival $redact,
        private FindThread $findThread,
        private FindOrAddCustomer $customers,
        private SaveCompany $saveCompany,
        private PutIntoCompany $company,
        private StoreArrival $storeArrival,
        private Journal $journal,
        private CurrentCause $cause,
    ) {}

    /**
     * @return array{int, int} messages that are new, and that were here before
     *
     * @throws HistoryRefused when it cannot be taken over
     */
    public function store(HistoryImport $import, HistoryItem $item): array
    {
        if ($item->problem !== null) {
            throw HistoryRefused::item($item->problem);
        }
        try {
            // Where the same message comes by itself at this moment, the second look finds it there.
            return retry(
                2,
                fn (): array => $this->cause->during(
                    Cause::of(CauseKind::Import, $import->id, $import->name),
                    fn (): array => $item->raw !== null ? $this
                        ->mail($import, $item->raw) : $this
                        ->conversation($import, $item->values ?? [])
                ),
                when: static fn (Throwable $why): bool => $why instanceof UniqueConstraintViolationException
            );
        } catch (UnreadableMailException $unreadable) {
            throw HistoryRefused::item($unreadable->getMessage());
        }
    }

    /**
     * @return array{int, int}
     */
    private function mail(HistoryImport $import, string $raw): array
    {
        $received = self::underItsKey($this->parser->parse($raw), $raw);
        if ($this->isHere($received)) {
            return [0, 1];
        }
        $at = $received->sentAt === null ? null : CarbonImmutable::instance($received->sentAt);
        if ($at === null || $at->year < self::OLDEST_YEAR || $at->isFuture()) {
            throw HistoryRefused::item('It has no date, or one that cannot be: history needs to know when it was.');
        }
        $isOurs = in_array($received->sender->value, $this->ourAddresses(), true);
        $arrival = $this->prepare->of($received);
        $person = self::withoutPlace($isOurs ? SenderHandle::email($received->to[0] ?? '') : $arrival->received->sender);
        DB::transaction(function () use ($import, $received, $arrival, $at, $isOurs, $person): void {
            $decision = $this->findThread->for($received, $this->customers->known($person)?->id, $at);
            $conversation = $decision->continues !== null
                ? Conversation::query()->lockForUpdate()->findOrFail($decision->continues)
                : $this->begin($import, $arrival->subject, $this->customers->byHandle($person), $import->account, Channel::Email, $at);
            $message = $this->message($conversation, $import->account, $arrival, $isOurs, $at);
            $this->goOn($conversation, $message, $at);
        });

        return [1, 0];
    }

    /**
     * What was exported from here carries the key that it had: what we sent, and what came another way than by mail.
     */
    private static function underItsKey(ReceivedMessage $received, string $raw): ReceivedMessage
    {
        $head = preg_split('/\r?\n\r?\n/', substr($raw, 0, self::LONGEST_HEAD), 2)[0] ?? '';
        $key = preg_match('/^'.ExportHistory::KEY_HEADER.':\s*urn:cairnfield:([0-9a-f]{64})\s*$/mi', $head, $own) === 1 ? $own[1] : null;

        return $key === null ? $received : $received->replacing(['onceKey' => $key]);
    }

    /**
     * By its key, or by its id: a copy of what we sent lies in many a mailbox.
     */
    private function isHere(ReceivedMessage $received): bool
    {
        return Message::query()->where('once_key', $received->onceKey)
            ->when($received->messageId !== '', static fn ($any) => $any->orWhere('message_id_key', Message::keyOfId($received->messageId)))
            ->exists();
    }

    /**
     * Who stands for an address that is none has a name alone: no customer is made of an id.
     */
    private static function withoutPlace(SenderHandle $person): SenderHandle
    {
        return str_ends_with($person->value, ExportHistory::NO_PLACE) ? SenderHandle::email('', $person->name) : $person;
    }

    /**
     * Read once for all the messages of a slice.
     *
     * @return list<string>
     */
    private function ourAddresses(): array
    {
        return once(
            static fn (): array => array_values(
                Account::query()
                    ->where('channel', Channel::Email)
                    ->pluck('address')
                    ->map(static fn (string $address): string => mb_strtolower($address))
                    ->all()
            )
        );
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array{int, int}
     */
    private function conversation(HistoryImport $import, array $values): array
    {
        $fields = HistoryFields::of($values);
        $messages = array_map(static fn (array $message): HistoryFields => HistoryFields::of($message), $fields->objects('messages'));
        if ($messages === []) {
            throw HistoryRefused::item('It has no messages.');
        }
        $id = $fields->text('id');
        $channel = $fields->channel() ?? $import->account->channel;
        // Everything is read before anything is stored: a conversation is taken whole or not at all.
        $read = array_map(fn (HistoryFields $message): array => $this->readMessage($message, $id, $channel, $fields), $messages);
        $again = Message::query()->whereIn('once_key', array_column($read, 'key'))->pluck('once_key')->all();
        // One that stands in the file twice is taken once.
        $new = array_values(
            array_filter(array_column($read, null, 'key'), static fn (array $message): bool => ! in_array($message['key'], $again, true))
        );
        if ($new === []) {
            return [0, count($read)];
        }
        $this->refuseTwice($import, $id);
        DB::transaction(function () use ($import, $fields, $new, $channel, $id): void {
            $conversation = $this->earlierPart($import, $id) ?? $this->begin(
                $import, $new[0]['arrival']->subject, $this->person($fields, $channel, $import->teammate), $import->account, $channel,
                $new[0]['at'], $fields
            );
            foreach ($new as ['arrival' => $arrival, 'isOurs' => $isOurs, 'at' => $at]) {
                $this->goOn($conversation, $this->message($conversation, $import->account, $arrival, $isOurs, $at), $at);
            }
        });

        return [count($new), count($read) - count($new)];
    }

    /**
     * In JSON Lines a conversation stands whole in its line; in CSV one message after the other.
     *
     * @throws HistoryRefused where the file has had it already
     */
    private function refuseTwice(HistoryImport $import, string $id): void
    {
        $isTwice = $import->format === HistoryFormat::JsonLines && DB::table('history_parts')
            ->join('conversations', 'conversations.id', '=', 'history_parts.conversation_id')
            ->where('history_parts.account_id', $import->account_id)->where('part', self::part($import, $id))
            ->where('history_import_id', $import->id)->exists();
        $isTwice && throw HistoryRefused::item("Its “id” is “{$id}”, which another conversation of this file has.");
    }

    /**
     * @return array{arrival: Arrival, isOurs: bool, at: CarbonImmutable, key: string}
     */
    private function readMessage(HistoryFields $message, string $conversationId, Channel $channel, HistoryFields $conversation): array
    {
        $isOurs = $message->text('direction') === 'out';
        $at = $message->instant('at');
        $text = str_replace(["\r\n", "\r"], "\n", $message->text('text', false));
        $given = $message->optional('id');
        $key = preg_match('/^urn:cairnfield:([0-9a-f]{64})$/D', $given, $own) === 1
            ? $own[1]
            : hash(
                'sha256',
                implode(
                    "\0",
                    ['history', $channel->value, $conversationId, $given, $at->toIso8601ZuluString(), $message->text('direction'), $text]
                )
            );
        $customer = $conversation->object('customer');
        $received = new ReceivedMessage(
            $channel,
            $key,
            SenderHandle::of(
                $channel->handleKind(), '', mb_substr($customer->optional('address') ?: $customer->optional('email'), 0, 320),
                $customer->optional('name')
            ),
            $given,
            null,
            [],
            null,
            [],
            [],
            null,
            $conversation->optional('subject'),
            $text,
            $message->optional('html') ?: null,
            false,
            false,
            [],
            [],
            $at,
        );

        return ['arrival' => $this->prepare->of($received), 'isOurs' => $isOurs, 'at' => $at, 'key' => $key];
    }

    /**
     * The conversation that other messages of the same one were stored in, by this import or an earlier one.
     */
    private function earlierPart(HistoryImport $import, string $id): ?Conversation
    {
        $found = DB::table('history_parts')
            ->where('account_id', $import->account_id)
            ->where('part', self::part($import, $id))
            ->value('conversation_id');

        return $found === null ? null : Conversation::query()->lockForUpdate()->find($found);
    }

    /**
     * Files count their conversations each from one: what belongs together is told by file and number.
     */
    private static function part(HistoryImport $import, string $id): string
    {
        return hash('sha256', "{$import->name}\0{$id}");
    }

    private function person(HistoryFields $fields, Channel $channel, ?Teammate $teammate): Customer
    {
        $customer = $fields->object('customer');
        $name = $this->redact->plain($customer->optional('name'));
        $address = $customer->address('address') ?: $customer->address('email');
        $written = $customer->optional('telephone');
        $telephone = TelephoneNumber::read($written);
        $written === '' || $telephone !== null || throw HistoryRefused::item("Its “telephone” is “{$written}”, which is no number.");

        $person = $this->customers->byHandle(match (true) {
            str_contains($address, '@') && ! str_starts_with($address, '@') => SenderHandle::email($address, $name),
            $address !== '' => SenderHandle::of($channel->handleKind(), mb_strtolower($address), $address, $name),
            $telephone !== null => SenderHandle::telephone($telephone->e164, $telephone->shown, $name),
            default => SenderHandle::email('', $name),
        });
        $this->putIntoCompany($person, $customer, $teammate);

        return $person;
    }

    /**
     * Whose company is known stays of it.
     */
    private function putIntoCompany(Customer $person, HistoryFields $customer, ?Teammate $teammate): void
    {
        $name = trim(mb_substr($customer->optional('company'), 0, 200));
        if ($name !== '' && $person->company_id === null) {
            $company = Company::inUse()->where('name_folded', Folding::fold($name))->first()
                ?? $this->saveCompany->save(null, $name, [], [], null);
            $this->company->put($person, $company, $customer->optional('role'), $teammate);
        }
    }

    private function begin(
        HistoryImport $import, string $subject, Customer $customer, Account $account, Channel $channel, CarbonImmutable $at,
        ?HistoryFields $fields = null
    ): Conversation {
        $plain = ConversationNumber::withoutMark($subject);
        $category = $fields === null || $fields->optional('category') === ''
            ? null
            : Category::query()->where('name', Str::afterLast($fields->optional('category'), '› '))->whereNotNull('parent_id')->first();
        $conversation = new Conversation;
        $conversation->forceFill([
            'subject' => mb_substr($plain === '' ? '(no subject)' : $plain, 0, 500),
            'bare_subject_key' => hash('sha256', BareSubject::of($subject)->text),
            'customer_id' => $customer->id,
            'account_id' => $account->id,
            'channel' => $channel,
            'state' => ConversationState::Closed,
            'category_id' => $category?->id,
            'history_import_id' => $import->id,
            'last_message_at' => $at,
            'created_at' => $at,
        ])->save();
        $this->journal->record($conversation, new Imported(new Named($import->id, $import->name)), Actor::application(), at: $at);
        if ($fields !== null) {
            DB::table('history_parts')->insertOrIgnore([
                'account_id' => $account->id, 'part' => self::part($import, $fields->text('id')),
                'conversation_id' => $conversation->id,
            ]);
        }

        return $conversation;
    }

    private function message(Conversation $conversation, Account $account, Arrival $arrival, bool $isOurs, CarbonImmutable $at): Message
    {
        $received = $arrival->received;
        $message = $this->storeArrival->message($conversation, $account, $arrival, $this->storeArrival->keep($arrival), [
            'sent_at' => $at,
            'received_at' => $at,
            ...($isOurs ? [
                'direction' => Message::OUT,
                'from_name' => $account->sender_name,
                'from_address' => $account->address,
                'to' => $received->to === [] ? [$received->sender->shown] : $received->to,
            ] : []),
        ]);
        $this->journal->record(
            $conversation,
            $isOurs
                ? new Replied($message->to[0] ?? '')
                : new MessageReceived($received->channel, $account->address, $conversation->preview === '', null),
            $isOurs ? Actor::application() : Actor::customer(), message: $message, at: $at
        );

        return $message;
    }

    private function goOn(Conversation $conversation, Message $message, CarbonImmutable $at): void
    {
        $isLatest = $at >= $conversation->last_message_at || $conversation->preview === '';
        $conversation->forceFill([
            'preview' => $isLatest ? Message::previewOf($message->text) : $conversation->preview,
            'last_message_at' => $conversation->last_message_at->max($at),
            'last_customer_message_at' => $message->isIncoming()
                ? ($conversation->last_customer_message_at?->max($at) ?? $at)
                : $conversation->last_customer_message_at,
            'created_at' => $conversation->created_at->min($at),
            'language' => $conversation->language ?? $message->language,
        ])->save();
    }
}
