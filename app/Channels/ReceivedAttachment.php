<?php

declare(strict_types=1);

namespace App\Channels;

final readonly class ReceivedAttachment
{
    public string $sha256;

    public int $size;

    /**
     * @param  string|null  $contentId  by which the HTML names an inline picture, without brackets
     */
    public function __construct(
        public string $name,
        public string $mediaType,
        public string $bytes,
        public ?string $contentId = null,
        public bool $inline = false,
    ) {
        $this->sha256 = hash('sha256', $bytes);
        $this->size = strlen($bytes);
    }
}
