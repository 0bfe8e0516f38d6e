<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\Receives;
use App\Channels\RedactArrival;
use App\Support\FileStore;
use App\Support\NotStored;
use Illuminate\Database\DetectsLostConnections;
use Illuminate\Database\QueryException;
use RuntimeException;
use Throwable;

/**
 * Takes a raw message in, however it came: from a mailbox, on standard input, or forwarded over
 * HTTP. The original is kept byte for byte, unless a card or account number had to be taken out of
 * it; what cannot be read is kept apart with the reason. Safe to repeat.
 */
final class TakeMail
{
    use DetectsLostConnections;

    /** MariaDB's numbers for a lock that could not be had in time, a deadlock, and too many connections. */
    private const PASSING = [1205, 1213, 1040];

    public function __construct(
        private readonly MailParser $parser,
        private readonly Receives $receives,
        private readonly FileStore $files,
        private readonly RedactArrival $redact,
    ) {}

    /**
     * @param  Account|null  $account  where it arrived; found by its recipients where that is not known
     *
     * @throws RuntimeException when it could not even be kept; then nothing was stored and it can be taken again
     */
    public function take(string $raw, ?Account $account = null): TakenMail
    {
        try {
            $largest = (int) config('cairnfield.mail.largest_message');
            if (strlen($raw) > $largest) {
                throw UnreadableMailException::tooLarge(strlen($raw), $largest);
            }
            $received = $this->parser->parse($raw);
            if (AddressDetails::noteOwn($received, $account)) {
                return TakenMail::own($received);
            }
            $account ??= Account::forMailTo([...$received->to, ...$received->cc])
                ?? throw new RuntimeException('No email account is connected yet. An administrator connects one under Accounts.');
            $outcome = $this->receives->receive($account, $received);

            return TakenMail::taken($outcome, $received);
        } catch (UnreadableMailException $unreadable) {
            return $this->keepUnreadable($raw, $account, $unreadable);
        } catch (Throwable $defect) {
            if ($this->mayPass($defect)) {
                throw $defect;
            }
            report($defect);

            return $this->keepUnreadable($raw, $account, UnreadableMailException::failed($defect));
        }
    }

    /**
     * Keeps a message apart, unread.
     */
    public function setAside(string $raw, Account $account, UnreadableMailException $why): TakenMail
    {
        return $this->keepUnreadable($raw, $account, $why);
    }

    /**
     * Whether the same message may well be taken later: the database was away or busy, the file store is full, or no
     * account is there yet.
     */
    private function mayPass(Throwable $defect): bool
    {
        return $this->causedByLostConnection($defect)
            || ($defect instanceof QueryException && in_array($defect->errorInfo[1] ?? null, self::PASSING, true))
            || $defect instanceof NotStored
            || $defect::class === RuntimeException::class;
    }

    private function keepUnreadable(string $raw, ?Account $account, UnreadableMailException $why): TakenMail
    {
        $header = substr($raw, 0, 50_000);
        $found = [];
        $kept = $this->redact->raw($raw, $found);
        UnreadableMail::unguarded(fn () => UnreadableMail::query()->createOrFirst(['sha256' => hash('sha256', $raw)], [
            'account_id' => $account?->id,
            'original' => $this->files->keep($kept),
            'size' => strlen($kept),
            'reason' => mb_substr($this->redact->plain($why->getMessage()), 0, 990),
            'from' => mb_substr($this->redact->plain($this->field($header, 'From')), 0, 320),
            'subject' => mb_substr($this->redact->plain($this->field($header, 'Subject')), 0, 500),
            'state' => UnreadableMail::KEPT,
            'received_at' => now(),
        ]));

        return TakenMail::unreadable($why->getMessage());
    }

    /**
     * A header field as well as it can be had, for an administrator to know the message by.
     */
    private function field(string $header, string $name): string
    {
        if (preg_match("/^{$name}:[ \t]*(.*(?:\r?\n[ \t].*)*)/mi", $header, $field) !== 1) {
            return '';
        }
        $decoded = @iconv_mime_decode($field[1], ICONV_MIME_DECODE_CONTINUE_ON_ERROR, 'UTF-8');

        return trim(mb_scrub($decoded === false ? $field[1] : $decoded, 'UTF-8'));
    }
}
