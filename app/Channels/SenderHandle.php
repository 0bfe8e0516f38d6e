<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * Who an item came from: the handle as the channel knows it, and the name that was given with it.
 */
final readonly class SenderHandle
{
    private function __construct(
        public string $kind,
        public string $value,
        public string $shown,
        public string $name,
    ) {}

    /**
     * @param  string  $address  empty where a mail names no sender at all
     */
    public static function email(string $address, string $name = ''): self
    {
        return new self('email', mb_strtolower($address), $address, trim($name));
    }

    public function isKnown(): bool
    {
        return $this->value !== '';
    }

    public function displayName(): string
    {
        return match (true) {
            $this->name !== '' => $this->name,
            $this->shown !== '' => $this->shown,
            default => 'Unknown sender',
        };
    }
}
