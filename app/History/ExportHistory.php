<?php

declare(strict_types=1);

namespace App\History;

use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Customers\Handle;
use App\Fields\About;
use App\Fields\OwnFields;
use App\Orders\Order;
use App\Support\FileStore;
use App\Support\SpreadsheetCell;
use Carbon\CarbonImmutable;
use Generator;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Str;
use RuntimeException;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;
use Symfony\Component\Mime\Exception\RfcComplianceException;
use ZipArchive;

/**
 * Gives conversations out in the formats in which they can be taken over. Memory does not grow with
 * their number. What is exported and imported again is recognised.
 */
final readonly class ExportHistory
{
    public const KEY_HEADER = 'X-Cairnfield-Message';

    /** Of addresses that stand for names on networks: nobody's. */
    public const NO_PLACE = '@cairnfield.invalid';

    private const AT_ONCE = 100;

    public const CSV_HEADINGS = ['conversation', 'subject', 'channel', 'category', 'direction', 'at', 'name', 'address', 'text', 'id'];

    public function __construct(private FileStore $files, private OwnFields $ownFields) {}

    /**
     * @param  CarbonImmutable|null  $from  of the last message; null for all
     * @return Generator<int, string> the file, piece by piece; not for a folder of mail
     */
    public function pieces(HistoryFormat $format, ?CarbonImmutable $from): Generator
    {
        if ($format === HistoryFormat::Csv) {
            yield $this->csv(self::CSV_HEADINGS);
        }
        foreach ($this->conversations($from)->lazyById(self::AT_ONCE)->chunk(self::AT_ONCE) as $conversations) {
            $fields = $format === HistoryFormat::JsonLines ? $this->fieldsOf($conversations->collect()) : [];
            foreach ($conversations as $conversation) {
                yield match ($format) {
                    HistoryFormat::JsonLines => $this->json($conversation, $fields),
                    HistoryFormat::Csv => $this->rows($conversation),
                    HistoryFormat::Mbox => $this->mbox($conversation),
                    HistoryFormat::Eml => throw new RuntimeException('A folder of mail is made by `folder`.'),
                };
            }
        }
    }

    /**
     * A zip file with a mail for each message.
     */
    public function folder(string $path, ?CarbonImmutable $from): void
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException("The zip file {$path} could not be made.");
        }
        foreach ($this->conversations($from)->lazyById(self::AT_ONCE) as $conversation) {
            foreach ($conversation->messages as $message) {
                $zip->addFromString("{$conversation->number()}/{$message->id}.eml", $this->mail($message));
            }
        }
        $zip->addFromString('README.txt', "Exported from Cairnfield. One folder for each conversation, one mail for each message.\n");
        $zip->close();
    }

    /**
     * @return Builder<Conversation>
     */
    private function conversations(?CarbonImmutable $from): Builder
    {
        return Conversation::readable()
            ->where('junk', false)
            ->when($from !== null, fn ($query) => $query->where('last_message_at', '>=', $from))
            ->with([
                'customer.handles', 'customer.company', 'category', 'orders', 'tags',
                'messages' => fn ($messages) => $messages->whereNull('called_back_at')
                    ->where('forwarded', false)
                    ->whereNull('partner_thread_id')
                    ->orderBy('received_at')
                    ->orderBy('id'),
            ]);
    }

    /**
     * What is written in the store's own fields of conversations, their customers and their orders.
     *
     * @param  Collection<int, Conversation>  $conversations
     * @return array<string, array<int, array<string, list<string>>>> by what they are about, then its number
     */
    private function fieldsOf(Collection $conversations): array
    {
        return [
            'conversation' => $this->ownFields->ofMany(About::Conversation, array_values($conversations->pluck('id')->all())),
            'company' => $this->ownFields->ofMany(
                About::Company, array_values($conversations->pluck('customer.company_id')->filter()->unique()->all())
            ),
            'customer' => $this->ownFields->ofMany(About::Customer, array_values($conversations->pluck('customer_id')->unique()->all())),
            'order' => $this->ownFields->ofMany(
                About::Order,
                array_values(
                    $conversations->flatMap(static fn (Conversation $conversation): array => $conversation->orders->modelKeys())
                        ->unique()
                        ->all()
                )
            ),
        ];
    }

    /**
     * @param  array<string, array<int, array<string, list<string>>>>  $fields
     */
    private function json(Conversation $conversation, array $fields): string
    {
        $orderFields = array_filter(
            $conversation->orders->mapWithKeys(
                static fn (Order $order): array => [$order->number => $fields['order'][$order->id] ?? []]
            )->all()
        );
        $handle = static fn (string $kind): ?string => $conversation->customer->handles->firstWhere('kind', $kind)?->shown;

        return json_encode(array_filter([
            'id' => $conversation->number(),
            'subject' => $conversation->subject,
            'channel' => $conversation->channel->value,
            'state' => $conversation->state->value,
            'category' => $conversation->category?->path,
            'language' => $conversation->language,
            'tags' => $conversation->tags->pluck('name')->all(),
            'fields' => $fields['conversation'][$conversation->id] ?? [],
            'customer_fields' => $fields['customer'][$conversation->customer_id] ?? [],
            'company_fields' => $fields['company'][(int) $conversation->customer->company_id] ?? [],
            'order_fields' => $orderFields,
            'customer' => array_filter([
                'name' => $conversation->customer->name,
                'address' => $handle($conversation->channel->handleKind()) ?? $handle('email'),
                'email' => $handle('email'),
                'telephone' => $handle('telephone'),
                'company' => $conversation->customer->company?->name,
                'role' => $conversation->customer->company_role,
                'handles' => $conversation->customer->handles->map(
                    static fn (Handle $one): array => ['kind' => $one->kind, 'value' => $one->shown]
                )
                    ->values()
                    ->all(),
            ]),
            'orders' => $conversation->orders->map(static fn (Order $order): string => $order->number)->all() ?: null,
            'messages' => $conversation->messages->map(static fn (Message $message): array => array_filter([
                'id' => "urn:cairnfield:{$message->once_key}",
                'direction' => $message->direction,
                'at' => $message->received_at->toIso8601ZuluString(),
                'public' => $message->public ?: null,
                'text' => $message->text,
            ], static fn (mixed $value): bool => $value !== null))->all(),
        ]), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR)."\n";
    }

    private function rows(Conversation $conversation): string
    {
        return $conversation->messages->map(fn (Message $message): string => $this->csv([
            $conversation->number(),
            $conversation->subject,
            $conversation->channel->value,
            (string) $conversation->category?->path,
            $message->direction,
            $message->received_at->toIso8601ZuluString(),
            $conversation->customer->name,
            $message->isIncoming() ? $message->from_address : ($message->to[0] ?? ''),
            $message->text,
            "urn:cairnfield:{$message->once_key}",
        ]))->implode('');
    }

    /**
     * @param  list<string>  $values
     */
    private function csv(array $values): string
    {
        return implode(',', array_map(
            static fn (string $value): string => '"'.str_replace('"', '""', SpreadsheetCell::write($value)).'"', $values
        ))."\r\n";
    }

    private function mbox(Conversation $conversation): string
    {
        return $conversation->messages->map(function (Message $message): string {
            $mail = rtrim((string) preg_replace('/\r\n/', "\n", $this->mail($message)), "\n");
            $quoted = preg_replace('/^(>*From )/m', '>$1', $mail);

            return 'From cairnfield '.$message->received_at->utc()->format('D M d H:i:s Y')."\n{$quoted}\n\n";
        })->implode('');
    }

    /**
     * The original where it is kept, else a mail that says the same.
     */
    private function mail(Message $message): string
    {
        if ($message->original !== null) {
            return $this->files->read($message->original);
        }
        $from = $this->address($message->from_address, $message->from_name);
        $email = (new Email)
            ->from($from)
            ->to($this->address($message->to[0] ?? '', ''))
            ->subject($message->subject)
            ->date($message->received_at)
            ->text($message->text);
        $headers = $email->getHeaders();
        $headers->addIdHeader('Message-ID', $this->idOf($message));
        // By it, what was sent or came another way is known again.
        $headers->addTextHeader(self::KEY_HEADER, "urn:cairnfield:{$message->once_key}");
        if ($message->in_reply_to !== null && str_contains($message->in_reply_to, '@')) {
            $headers->addTextHeader('In-Reply-To', "<{$message->in_reply_to}>");
        }

        return $email->toString();
    }

    private function idOf(Message $message): string
    {
        return preg_match('/^[^\s<>@]+@[^\s<>@]+$/D', $message->message_id) === 1
            ? $message->message_id
            : "{$message->id}.{$message->once_key}".self::NO_PLACE;
    }

    /**
     * Names on networks are no addresses: then one that can be none.
     */
    private function address(string $address, string $name): Address
    {
        try {
            return new Address($address, $name);
        } catch (RfcComplianceException) {
            return new Address((Str::slug($address) ?: 'unknown').self::NO_PLACE, $name !== '' ? $name : $address);
        }
    }
}
