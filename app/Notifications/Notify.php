<?php

declare(strict_types=1);

namespace App\Notifications;

use App\Sorting\WhoMayRead;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Tells people something, as each of them wants to be told. Safe to repeat: one thing is told once. Nobody
 * is told of what they do not read.
 */
final readonly class Notify
{
    public function __construct(private WhoMayRead $whoMayRead) {}

    /**
     * @param  list<Teammate>  $people
     * @param  string  $source  what it tells of, such as `entry-17`
     * @param  string|null  $path  where it is, where that is not the conversation
     * @param  bool  $byMail  whether it goes out by mail at once, whatever they wish
     */
    public function people(array $people, NewsKind $kind, string $source, string $text, ?int $conversationId, bool $byMail = false,
        ?string $path = null): void
    {
        $readers = $conversationId === null ? null : $this->whoMayRead->ofNumber($conversationId);
        $rows = [];
        foreach ($people as $person) {
            [$inApp, $mail] = self::wish($person, $kind);
            $mail = $byMail ? MailWhen::AtOnce : $mail;
            if ($readers !== null && ! in_array($person->id, $readers, true)) {
                continue;
            }
            if (! $person->may_sign_in || (! $inApp && $mail === MailWhen::Never)) {
                continue;
            }
            $rows[] = [
                'teammate_id' => $person->id,
                'conversation_id' => $conversationId,
                'kind' => $kind->value,
                'source' => $source,
                'path' => $path,
                'text' => Str::limit($text, 490, '…'),
                'in_app' => $inApp,
                'at' => now(),
                'mail_due_at' => $mail->dueAt(CarbonImmutable::now(), $person->time_zone),
            ];
        }
        DB::table('news')->insertOrIgnore($rows);
    }

    /**
     * @return array{bool, MailWhen}
     */
    public static function wish(Teammate $person, NewsKind $kind): array
    {
        $wish = $person->told[$kind->value] ?? null;

        return $wish === null ? $kind->usual() : [(bool) $wish['app'], MailWhen::tryFrom((string) $wish['mail']) ?? MailWhen::Never];
    }
}
