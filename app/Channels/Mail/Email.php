<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\AccountField;
use App\Channels\ChannelType;
use Illuminate\Validation\Rule;

/**
 * Email: read over IMAP, answered over SMTP.
 */
final readonly class Email extends ChannelType
{
    /** The setting that names the server whose Authentication-Results are believed. */
    public const CHECK_SERVER = 'check_server';

    private const SECURITIES = ['tls' => 'TLS from the start', 'starttls' => 'STARTTLS', 'none' => 'None (this machine only)'];

    public function label(): string
    {
        return 'Email';
    }

    public function description(): string
    {
        return 'An email address: read over IMAP, answered over SMTP';
    }

    public function icon(): string
    {
        return 'envelope';
    }

    public function sender(): string
    {
        return SmtpSender::class;
    }

    public function isMail(): bool
    {
        return true;
    }

    public function handleKind(): string
    {
        return 'email';
    }

    public function isOpenToStrangers(): bool
    {
        return true;
    }

    public function connection(): string
    {
        return ConnectMail::class;
    }

    public function addressField(): AccountField
    {
        return AccountField::text('address', 'Email address', ['required', 'email:rfc', 'max:254'], type: 'email');
    }

    public function fields(Account $account): array
    {
        return [
            'Reading mail (IMAP)' => [
                ...$this->server('imap', 993, 'tls', true),
                AccountField::text(
                    self::CHECK_SERVER, 'Server whose sender checks are believed',
                    ['nullable', 'string', 'max:253', 'regex:/^[A-Za-z0-9.:_-]+$/'],
                    placeholder: 'mx.yourstore.example',
                    help: 'The name that your own mail server writes first into Authentication-Results (RFC 8601). What it finds not to '
                        .'come from whom it says is then shown as such, and joins nobody’s conversation. Empty: nothing is believed.'
                ),
            ],
            'Sending mail (SMTP)' => $this->server('smtp', 587, 'starttls', false),
        ];
    }

    public function accountView(): string
    {
        return 'channels.mail.forwarding';
    }

    /**
     * @return list<AccountField>
     */
    private function server(string $protocol, int $port, string $security, bool $needsUser): array
    {
        return [
            AccountField::text("{$protocol}_host", 'Server', ['required', 'string', 'max:253', 'regex:/^[A-Za-z0-9.:-]+$/']),
            AccountField::text("{$protocol}_port", 'Port', ['required', 'integer', 'between:1,65535'], $port, 'number'),
            AccountField::choice(
                "{$protocol}_security", 'Encryption', ['required', Rule::in(array_keys(self::SECURITIES))], self::SECURITIES, $security
            ),
            AccountField::text("{$protocol}_user", 'User name', [$needsUser ? 'required' : 'nullable', 'string', 'max:254']),
            AccountField::secret("{$protocol}_password", 'Password', [
                "{$protocol}_host", "{$protocol}_port", "{$protocol}_security", "{$protocol}_user",
            ]),
        ];
    }
}
