<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use RuntimeException;
use Throwable;

/**
 * A message that cannot be made a conversation. Its message says why, to an administrator.
 */
final class UnreadableMailException extends RuntimeException
{
    public static function empty(): self
    {
        return new self('The message is empty.');
    }

    public static function tooLarge(int $size, int $largest): self
    {
        return new self(sprintf(
            'The message has %.1f MB; messages over %d MB are set aside unread. Download the original, or raise MAIL_LARGEST_MESSAGE '
                .'and take it again.',
            $size / 1048576,
            $largest / 1048576,
        ));
    }

    public static function neverEnded(int $times): self
    {
        return new self("Reading it was begun {$times} times and never ended: it took too long, or too much memory. Download the original "
            .'to see what it is; taking it again tries once more.');
    }

    public static function failed(Throwable $cause): self
    {
        return new self('Reading it failed: '.$cause->getMessage(), 0, $cause);
    }
}
