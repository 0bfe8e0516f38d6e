<?php

declare(strict_types=1);

use App\Channels\Channel;
use App\Channels\Mail\UnreadableMail;
use App\Channels\Services\EventTrace;
use App\Demo\DemoFields;
use App\History\HistoryUploads;
use App\History\RunImport;
use App\History\StartImport;
use App\History\StoreHistory;
use App\Support\FileStore;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

/*
 * Numbers of cards and accounts in every field of every way in: none of them stands in the database or in a file afterwards.
 * Addresses, handles and the ids of messages are left as they are, and nothing is planted in them.
 */

/**
 * Each number once, written in the ways in which people and programs write them.
 */
final class Planted
{
    private const WAYS = [
        '%1$s%2$s%3$s%4$s', '%1$s %2$s %3$s %4$s', "%1\$s %2\$s\n%3\$s %4\$s", "%1\$s-%2\$s-\n> %3\$s-%4\$s", "%1\$s\t%2\$s\t%3\$s\t%4\$s",
        '%1$s/%2$s/%3$s/%4$s', '%1$s_%2$s_%3$s_%4$s', "%1\$s\u{AD}%2\$s\u{AD}%3\$s\u{AD}%4\$s", "%1\$s\u{200B} %2\$s\u{200B} %3\$s %4\$s",
    ];

    /** @var list<string> */
    public static array $digits = [];

    public static function one(bool $isLine = false): string
    {
        $number = 4_000_000_000_000_00 + count(self::$digits) * 7_919_113;
        $digits = (string) $number;
        $digits = str_pad($digits, 15, '0');
        $sum = 0;
        foreach (array_reverse(str_split($digits)) as $place => $digit) {
            $value = (int) $digit * ($place % 2 === 0 ? 2 : 1);
            $sum += $value > 9 ? $value - 9 : $value;
        }
        $digits .= (10 - $sum % 10) % 10;
        $way = self::WAYS[count(self::$digits) % count(self::WAYS)];
        self::$digits[] = $digits;
        $written = sprintf($way, ...str_split($digits, 4));

        return $isLine ? str_replace(["\n> ", "\n", "\t"], ' ', str_replace("-\n> ", '-', $written)) : $written;
    }

    /**
     * Full-width, and an account in small letters: not found by digits alone.
     */
    public static function plain(string $text): string
    {
        $text = (string) Normalizer::normalize(mb_scrub($text, 'UTF-8'), Normalizer::FORM_KC);

        return mb_strtoupper((string) preg_replace('/[^\p{L}\p{N}]/u', '', $text));
    }
}

function everythingStored(): string
{
    $all = '';
    foreach (DB::select('SHOW TABLES') as $table) {
        $name = (string) array_values((array) $table)[0];
        foreach (DB::table($name)->get() as $row) {
            foreach ((array) $row as $value) {
                // Line ends and signs stand in JSON by their names.
                $all .= "{$name}: ".Planted::plain(stripcslashes((string) preg_replace('/\\\\u(?:00ad|200b)/i', '', (string) $value)))."\n";
            }
        }
    }
    foreach (Storage::disk('files')->allFiles() as $path) {
        $bytes = app(FileStore::class)->read($path);
        $all .= Planted::plain($bytes)."\n".Planted::plain(quoted_printable_decode($bytes))."\n";
        foreach (preg_match_all('/[A-Za-z0-9+\/\r\n]{40,}={0,2}/', $bytes, $parts) > 0 ? $parts[0] : [] as $part) {
            $all .= Planted::plain((string) base64_decode($part, true))."\n";
        }
    }

    return $all;
}

function plantInMail(): void
{
    $one = Planted::one(...);
    Mails::take(Mails::raw(['From' => '"'.$one(true).'" <ana@wrenfield.example>', 'Subject' => 'Card '.$one(true)], 'Take it: '.$one()));
    $inner = base64_encode("Subject: inner {$one(true)}\r\n\r\nInner ".$one());
    $mail = "MIME-Version: 1.0\r\nContent-Type: multipart/mixed; boundary=b\r\nFrom: Bo <bo@x.example>\r\nSubject: Files\r\n"
        ."Message-ID: <files@x.example>\r\n\r\n--b\r\nContent-Type: multipart/alternative; boundary=a\r\n\r\n"
        ."--a\r\nContent-Type: text/plain; charset=utf-8\r\n\r\nText {$one()}\r\n"
        ."--a\r\nContent-Type: text/html; charset=utf-8\r\n\r\n<p>4000 <b>00</b>00<br>0000 0002</p><td>{$one(true)}</td>"
        ."<p>&#65300;&#65296;00 0000 0000 0002 de89 3704 0044<br>0532 0130 00</p>\r\n--a--\r\n"
        ."--b\r\nContent-Type: text/csv; name=\"{$one(true)}.csv\"\r\n"
        ."Content-Disposition: attachment; filename=\"{$one(true)}.csv\"\r\n\r\n"
        ."name;card\r\nAna;{$one()}\r\n"
        ."--b\r\nContent-Type: message/rfc822\r\nContent-Disposition: attachment\r\n\r\n"
        ."From: c@d.example\r\nSubject: inner {$one(true)}\r\n"
        ."MIME-Version: 1.0\r\nContent-Type: text/plain; charset=utf-8\r\nContent-Transfer-Encoding: base64\r\n\r\n"
        .chunk_split(base64_encode("Inner text of some length, with {$one()} in it."))."\r\n"
        ."--b\r\nContent-Type: application/octet-stream; name=inner.eml\r\nContent-Transfer-Encoding: base64\r\n\r\n"
        .chunk_split(base64_encode('no text')).$inner[0]."\r\n--b--\r\n";
    Planted::$digits[] = '4000000000000002';
    Planted::$digits[] = 'DE89370400440532013000';
    Mails::take($mail);
    // One that cannot be read, and one that is over.
    config(['cairnfield.mail.largest_message' => 200]);
    Mails::take(Mails::raw(['From' => '"'.$one(true).'" <u@x.example>', 'Subject' => $one(true)], str_repeat('Long. ', 40).$one()));
    config(['cairnfield.mail.largest_message' => 25 * 1024 * 1024]);
}

function plantInServices(): void
{
    $one = Planted::one(...);
    $post = Services::post("@brindlekites {$one()}", ['author_name' => $one(true)]);
    Services::take(Channel::Pennon, $post);
    Services::take(Channel::Pennon, Services::post("@brindlekites now {$one()}", [
        'id' => $post['data']['post']['id'], 'revision' => 2, 'author_name' => $one(true),
    ], 'post.edited'));
    Services::take(Channel::Pennon, Services::direct($one(), ['from_name' => $one(true)]));
    Services::take(Channel::Marrowby, Services::orderMessage($one(), ['buyer' => ['id' => 'anaw88', 'name' => $one(true)]]));
    Services::take(Channel::Marrowby, Services::rating(1, $one(), ['listing' => [
        'id' => 'DUN', 'title' => $one(true), 'url' => 'https://marrowby.example/l/'.str_replace(['/', ' '], ['_', '-'], $one(true)),
    ], 'buyer' => ['id' => 'bsa', 'name' => $one(true)]]));
    Services::take(Channel::Quaymart, Services::entry($one(), [
        'title' => $one(true), 'customer' => ['code' => 'c-1', 'name' => $one(true)],
    ]));
    Services::take(Channel::Shop, Services::order([
        'customer' => [
            'id' => null, 'name' => $one(true), 'email' => 'o@x.example', 'telephone' => null,
            'address' => ['lines' => [$one(true), '8000 Aarhus'], 'country' => 'DK'],
        ],
        'shipping' => ['amount' => 0, 'title' => $one(true), 'tax_rate' => '0.25', 'refunded' => 0],
        'payments' => [['id' => 'pay-1', 'kind' => 'card', 'label' => $one(true), 'captured' => 16300, 'refunded' => 0]],
        'lines' => [[
            'id' => '1', 'sku' => 'S', 'title' => $one(true), 'quantity' => 1, 'unit_price' => 100, 'discount' => 0, 'tax_rate' => '0',
            'sent' => 0, 'returned' => 0, 'refunded' => 0,
        ]],
    ]));
    Services::take(Channel::Shop, ['type' => 'product.changed', 'at' => now()->toIso8601ZuluString(), 'data' => ['product' => [
        'sku' => 'S', 'title' => $one(true), 'price' => 1, 'stock' => 1,
    ]]]);
    $scan = Services::scan('WP7720388', 'at_depot', now()->toIso8601ZuluString());
    $scan['data']['scan']['place'] = $one(true);
    Services::take(Channel::WrenParcel, $scan);
    // What cannot be taken is kept.
    Services::take(Channel::Pennon, ['type' => $one(true), 'data' => ['text' => $one(), 'more' => [$one()]]]);
}

it('finds no number that was planted, in no table and no file', function (): void {
    Planted::$digits = [];
    Http::fake(['*' => Http::response([], 404)]);
    $this->sender = new Tests\App\RememberingSender;
    app(DemoFields::class)->load();
    $one = Planted::one(...);
    plantInMail();
    plantInServices();
    // The form.
    preg_match('/name="opened" value="([^"]+)"/', (string) $this->get('/forms/contact')->getContent(), $opened);
    $this->travel(30)->seconds();
    $this->post('/forms/contact', [
        'opened' => $opened[1], 'name' => $one(true), 'email' => 'odile@fabre.example', 'text' => $one(), 'order' => $one(true),
        'own' => [$one(true)], 'files' => [UploadedFile::fake()->createWithContent($one(true).'.txt', 'File '.$one())],
    ]);
    // A call.
    $this->actingAs($this->teammate('ilse'))->post('/calls', [
        'who' => 'Una Fell', 'notes' => 'She read out '.$one(), 'once' => (string) Str::uuid(),
    ]);
    // History.
    $path = HistoryUploads::folder().uniqid().'old.jsonl';
    file_put_contents($path, json_encode(['id' => 'k1', 'subject' => $one(true), 'customer' => [
        'name' => $one(true), 'email' => 'h@x.example',
    ], 'messages' => [['direction' => 'in', 'at' => '2024-03-04T10:00:00Z', 'text' => $one()]]], JSON_UNESCAPED_UNICODE)."\n");
    $import = app(StartImport::class)->start($path, 'old.jsonl', null, Services::account(Channel::Email), null);
    (new RunImport($import->id))->slice(app(StoreHistory::class), 0);

    $stored = everythingStored();
    expect(array_values(array_filter(
        Planted::$digits, static fn (string $digits): bool => str_contains($stored, $digits)
    )))->toBe([])
        ->and(count(Planted::$digits))->toBeGreaterThan(50)
        // All of it came in: what was planted stands there with its mark.
        ->and(UnreadableMail::query()->count())->toBe(1)
        ->and(EventTrace::query()->count())->toBe(1)
        ->and($import->refresh()->taken)->toBe(1)
        ->and(DB::table('messages')->where('text', 'like', '%[card %')->count())->toBeGreaterThan(9);
});
