<?php

declare(strict_types=1);

namespace Tests\App;

use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\Services\TakeEvent;
use Carbon\CarbonImmutable;
use Illuminate\Testing\TestResponse;

/**
 * Events of the simulated services as they come to us, and accounts for them.
 */
final class Services
{
    private static int $count = 0;

    public static function account(Channel $channel): Account
    {
        return Account::query()->where('channel', $channel)->orderBy('id')->firstOrFail();
    }

    public static function id(string $prefix): string
    {
        return $prefix.(++self::$count).'x'.bin2hex(random_bytes(3));
    }

    /**
     * @param  array<string, mixed>  $post
     * @return array<string, mixed>
     */
    public static function post(string $text, array $post = [], string $type = 'post.mention'): array
    {
        $id = $post['id'] ?? self::id('p');

        return ['id' => self::id('e'), 'type' => $type, 'at' => now()->toIso8601ZuluString(), 'data' => ['post' => [
            'id' => $id, 'author' => '@anawren', 'author_name' => 'Ana', 'text' => $text, 'in_reply_to' => null, 'thread' => $id,
            'posted_at' => CarbonImmutable::now()->toIso8601ZuluString('millisecond'), 'revision' => 1, 'removed' => false, ...$post,
        ]]];
    }

    /**
     * @param  array<string, mixed>  $message
     * @return array<string, mixed>
     */
    public static function direct(string $text, array $message = [], string $type = 'direct.received'): array
    {
        return ['id' => self::id('e'), 'type' => $type, 'at' => now()->toIso8601ZuluString(), 'data' => ['message' => [
            'id' => self::id('d'), 'from' => '@anawren', 'from_name' => 'Ana', 'to' => '@brindlekites', 'text' => $text,
            'sent_at' => now()->toIso8601ZuluString(), 'revision' => 1, 'removed' => false, ...$message,
        ]]];
    }

    /**
     * @param  array<string, mixed>  $message
     * @return array<string, mixed>
     */
    public static function orderMessage(string $text, array $message = []): array
    {
        return ['id' => self::id('e'), 'type' => 'order.message', 'at' => now()->toIso8601ZuluString(), 'data' => ['message' => [
            'id' => self::id('mm'), 'order_number' => '71-4480217', 'buyer' => ['id' => 'anaw88', 'name' => 'Ana W.'], 'text' => $text,
            'sent_at' => now()->toIso8601ZuluString(), 'answer_by' => now()->addDay()->toIso8601ZuluString(), ...$message,
        ]]];
    }

    /**
     * @param  array<string, mixed>  $rating
     * @return array<string, mixed>
     */
    public static function rating(int $stars, string $text, array $rating = []): array
    {
        return ['id' => self::id('e'), 'type' => 'rating.left', 'at' => now()->toIso8601ZuluString(), 'data' => ['rating' => [
            'id' => self::id('mg'), 'of' => 'product', 'listing' => [
                'id' => 'DUN-STD', 'title' => 'Dunlin, single line', 'url' => 'https://marrowby.example/l/dun',
            ],
            'order_number' => null, 'stars' => $stars, 'text' => $text, 'buyer' => ['id' => 'bsa', 'name' => 'Beatriz S.'],
            'rated_at' => now()->toIso8601ZuluString(), 'answer' => null, ...$rating,
        ]]];
    }

    /**
     * @param  array<string, mixed>  $thread
     * @param  array<string, mixed>  $entry
     * @return array<string, mixed>
     */
    public static function entry(string $text, array $thread = [], array $entry = []): array
    {
        return ['id' => self::id('e'), 'type' => 'ENTRY', 'at' => now()->toIso8601ZuluString(), 'data' => [
            'thread' => [
                'id' => 't1', 'about' => 'order', 'ref' => 'QM20114873', 'title' => null,
                'customer' => ['code' => 'c-5512', 'name' => 'P. Nowak'], 'score' => null, ...$thread,
            ],
            'entry' => [
                'id' => self::id('n'), 'by' => 'customer', 'text' => $text, 'when' => now()->toIso8601ZuluString(),
                'due' => now()->addDays(2)->toIso8601ZuluString(), ...$entry,
            ],
        ]];
    }

    /**
     * An order whose buyer's address is known.
     *
     * @param  array<string, mixed>  $order
     * @return array<string, mixed>
     */
    public static function orderBy(string $email, array $order = []): array
    {
        return self::order(['customer' => [
            'id' => null, 'name' => 'Ana Wrenfield', 'email' => $email, 'telephone' => null,
            'address' => ['lines' => ['Møllevej 12', '8000 Aarhus'], 'country' => 'DK'],
        ], ...$order]);
    }

    /**
     * @param  array<string, mixed>  $order
     * @return array<string, mixed>
     */
    public static function order(array $order = []): array
    {
        return ['id' => self::id('e'), 'type' => 'order.changed', 'at' => now()->toIso8601ZuluString(), 'data' => ['order' => [
            'id' => 'ord_20388', 'number' => 'B-20388', 'version' => 1, 'placed_at' => now()
                ->subDays(12)
                ->toIso8601ZuluString(), 'status' => 'sent',
            'currency' => 'EUR', 'prices_include_tax' => true,
            'customer' => [
                'id' => null, 'name' => 'Ana Wrenfield', 'email' => null, 'telephone' => null,
                'address' => ['lines' => ['Møllevej 12', '8000 Aarhus'], 'country' => 'DK'],
            ],
            'sold_on' => ['marketplace' => 'Marrowby', 'number' => '71-4480217', 'buyer' => 'anaw88'],
            'lines' => [
                [
                    'id' => '20388-1', 'sku' => 'MER-RED', 'title' => 'Merlin delta, red', 'quantity' => 1, 'unit_price' => 11900,
                    'discount' => 0, 'tax_rate' => '0.25', 'sent' => 1, 'returned' => 0, 'refunded' => 0,
                ],
                [
                    'id' => '20388-2', 'sku' => 'TAI-ORA', 'title' => 'Tails, orange, pair', 'quantity' => 2, 'unit_price' => 1400,
                    'discount' => 300, 'tax_rate' => '0.25', 'sent' => 2, 'returned' => 0, 'refunded' => 0,
                ],
            ],
            'order_discount' => 0, 'shipping' => ['amount' => 1900, 'title' => 'Next-day parcel', 'tax_rate' => '0.25', 'refunded' => 0],
            'payments' => [['id' => 'pay-1', 'kind' => 'card', 'label' => 'Card …4242', 'captured' => 16300, 'refunded' => 0]],
            'total' => 16300, 'parcels' => [['carrier' => 'Wren Parcel', 'number' => 'WP7720388']],
            ...$order,
        ]]];
    }

    /**
     * @return array<string, mixed>
     */
    public static function scan(string $parcel, string $stage, string $at): array
    {
        return [
            'id' => self::id('e'), 'type' => 'parcel.scanned', 'at' => $at,
            'data' => ['parcel' => $parcel, 'scan' => ['id' => "s-{$stage}", 'stage' => $stage, 'at' => $at, 'place' => 'Aarhus depot']],
        ];
    }

    /**
     * @param  array<string, mixed>  $event
     * @return array{taken: bool, result?: string, reason?: string}
     */
    public static function take(Channel $channel, array $event): array
    {
        return app(TakeEvent::class)->take(self::account($channel), $event, 'webhook');
    }

    /**
     * Sends an event to where a service sends it, rightly signed unless it is told otherwise.
     *
     * @param  array<string, mixed>|string  $event
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    public static function send(
        AppTestCase $test, Account $account, array|string $event, ?string $secret = null, int $secondsAgo = 0
    ): TestResponse {
        $body = is_string($event) ? $event : (string) json_encode($event);
        $time = (string) (now()->getTimestamp() - $secondsAgo);
        $name = ['wren_parcel' => 'Wren'][$account->channel->value] ?? $account->channel->label();

        return $test->call('POST', "/intake/events/{$account->id}", [], [], [], [
            'HTTP_'.strtoupper($name).'_TIME' => $time,
            'HTTP_'.strtoupper($name).'_SIGNATURE' => hash_hmac(
                'sha256', "{$time}.{$body}", $secret ?? $account->secrets['webhook_secret']
            ),
            'CONTENT_TYPE' => 'application/json',
        ], $body);
    }
}
