<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Support\HostRefused;
use App\Support\OutsideHosts;
use IMAP\Connection;

/**
 * An account's INBOX over IMAP, read only: messages stay there as they are, unseen ones unseen.
 */
final readonly class Mailbox
{
    private function __construct(
        private Connection $connection,
        private string $server,
        public int $uidValidity,
    ) {}

    /**
     * @throws MailboxFault
     */
    public static function open(Account $account): self
    {
        $settings = $account->settings;
        $server = ($settings['imap_host'] ?? '').':'.($settings['imap_port'] ?? '');
        try {
            app(OutsideHosts::class)->addressesOf((string) ($settings['imap_host'] ?? ''));
        } catch (HostRefused $refused) {
            throw MailboxFault::notAsked($refused);
        }
        $path = '{'.$server.'/imap'.self::flags((string) ($settings['imap_security'] ?? 'tls')).'}INBOX';
        $timeout = (int) config('cairnfield.mail.timeout');
        foreach ([IMAP_OPENTIMEOUT, IMAP_READTIMEOUT, IMAP_WRITETIMEOUT, IMAP_CLOSETIMEOUT] as $kind) {
            imap_timeout($kind, $timeout);
        }
        $user = (string) ($settings['imap_user'] ?? '');
        $connection = @imap_open(
            $path, $user, $account->secrets['imap_password'] ?? '', OP_READONLY, 1, ['DISABLE_AUTHENTICATOR' => 'GSSAPI']
        );
        $said = self::said();
        if ($connection === false) {
            throw MailboxFault::cannotOpen($server, $user, $said);
        }
        $status = @imap_status($connection, $path, SA_UIDVALIDITY);
        if ($status === false) {
            throw MailboxFault::brokeOff($server, self::said());
        }

        return new self($connection, $server, (int) $status->uidvalidity);
    }

    /**
     * UIDs above the one given, the lowest first.
     *
     * @return list<int>
     *
     * @throws MailboxFault
     */
    public function uidsAfter(int $uid): array
    {
        // The range `n:*` always holds the last message, even where its UID is below n (RFC 3501, 6.4.8).
        $overview = @imap_num_msg($this->connection) === 0
            ? []
            : @imap_fetch_overview($this->connection, ($uid + 1).':*', FT_UID);
        $uids = array_filter(
            array_map(static fn (object $message): int => (int) $message->uid, $overview ?: []),
            static fn (int $found): bool => $found > $uid
        );
        // Where the connection has broken off, the extension finds none, or those that it knew before.
        if ($uids === [] && ! $this->answers()) {
            throw MailboxFault::brokeOff($this->server, self::said());
        }
        sort($uids);

        return $uids;
    }

    /**
     * Whether it is there still.
     *
     * @throws MailboxFault
     */
    public function has(int $uid): bool
    {
        $isThere = @imap_msgno($this->connection, $uid) > 0;
        $isThere || $this->answers() || throw MailboxFault::brokeOff($this->server, self::said());
        self::said();

        return $isThere;
    }

    /**
     * @return string the message byte for byte
     *
     * @throws MailboxFault
     */
    public function raw(int $uid): string
    {
        $stream = fopen('php://temp/maxmemory:33554432', 'w+b');
        if ($stream === false || ! @imap_savebody($this->connection, $stream, $uid, '', FT_UID | FT_PEEK)) {
            throw MailboxFault::brokeOff($this->server, self::said());
        }
        rewind($stream);
        $raw = (string) stream_get_contents($stream);
        // Where the connection breaks off, the extension says that all went well, with nothing or a part of the message.
        // That it is shorter than the server said is no sign by itself: not every server counts exactly.
        if (strlen($raw) < $this->size($uid) && ! $this->answers()) {
            throw MailboxFault::brokeOff($this->server, self::said());
        }

        return $raw;
    }

    private function size(int $uid): int
    {
        $overview = @imap_fetch_overview($this->connection, (string) $uid, FT_UID);

        return (int) ($overview[0]->size ?? PHP_INT_MAX);
    }

    /**
     * Whether there is a server still at the other end.
     */
    private function answers(): bool
    {
        return @imap_ping($this->connection);
    }

    public function close(): void
    {
        @imap_close($this->connection);
        self::said();
    }

    private static function flags(string $security): string
    {
        return match ($security) {
            'none' => '/notls',
            'starttls' => '/tls',
            default => '/ssl',
        };
    }

    /**
     * What the extension has to say, which it otherwise keeps for later calls and prints at the end.
     */
    private static function said(): string
    {
        $said = array_filter(
            [...(imap_errors() ?: []), ...(imap_alerts() ?: [])],
            // A remark on a server without encryption, which is no reason for anything.
            static fn (string $line): bool => ! str_starts_with($line, 'SECURITY PROBLEM'),
        );

        return $said === [] ? 'it gave no reason.' : rtrim(implode('; ', array_unique($said)), '.').'.';
    }
}
