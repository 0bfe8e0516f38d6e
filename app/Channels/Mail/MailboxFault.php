<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use RuntimeException;
use Throwable;

/**
 * A mailbox could not be read. Its message says what is wrong and how to mend it, to an administrator.
 */
final class MailboxFault extends RuntimeException
{
    public static function cannotOpen(string $server, string $user, string $said): self
    {
        $isRefused = preg_match('/auth|login|credential|password|denied/i', $said) === 1;

        return new self($isRefused
            ? "The mail server {$server} refused the user name “{$user}” or its password: {$said} Correct them in this account's settings."
            : "The mail server {$server} could not be reached: {$said} It is tried again every few seconds; check the host and port "
                .'if it lasts.');
    }

    public static function notAsked(Throwable $why): self
    {
        return new self("The mail server is not asked: {$why->getMessage()}");
    }

    public static function brokeOff(string $server, string $said): self
    {
        return new self("The mail server {$server} broke off while a message was read: {$said} Reading goes on where it stopped.");
    }
}
