<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * A file that goes out with a message.
 */
final readonly class OutgoingFile
{
    /**
     * @param  string  $file  where the file store has it
     */
    public function __construct(public string $name, public string $mediaType, public string $file) {}
}
