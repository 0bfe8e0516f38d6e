<?php

declare(strict_types=1);

namespace Tests\App;

use App\Channels\Mail\TakeMail;
use App\Channels\Mail\TakenMail;
use App\Conversations\Conversation;

/**
 * Raw messages for tests, and taking them in.
 */
final class Mails
{
    private static int $count = 0;

    /**
     * @param  array<string, string|null>  $headers  null leaves a usual one out
     */
    public static function raw(array $headers = [], string $body = "Hello,\r\nmy kite has not come.\r\n"): string
    {
        $headers = array_filter([
            'From' => 'Tomas Hrubý <tomas@hruby.example>',
            'To' => 'care@brindle.example',
            'Subject' => 'Where is my kite',
            'Date' => 'Mon, 23 Nov 2026 09:52:00 +0100',
            'Message-ID' => '<m'.(++self::$count).'@hruby.example>',
            ...$headers,
        ], static fn (?string $value): bool => $value !== null);
        $lines = array_map(static fn (string $name, string $value): string => "{$name}: {$value}", array_keys($headers), $headers);

        return implode("\r\n", $lines)."\r\n\r\n".$body;
    }

    public static function take(string $raw): TakenMail
    {
        return app(TakeMail::class)->take($raw);
    }

    /**
     * @param  array<string, string|null>  $headers
     */
    public static function conversation(array $headers = [], string $body = "Hello,\r\nmy kite has not come.\r\n"): Conversation
    {
        $outcome = self::take(self::raw($headers, $body))->outcome ?? throw new \RuntimeException('The message was not taken.');

        return Conversation::query()->findOrFail($outcome->conversation);
    }
}
