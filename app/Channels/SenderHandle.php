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

    /**
     * A name on a network or marketplace.
     */
    public static function on(Channel $channel, string $account, string $name = ''): self
    {
        return new self($channel->handleKind(), mb_strtolower(mb_substr($account, 0, 191)), mb_substr($account, 0, 191), trim($name));
    }

    /**
     * @param  string  $e164  with the plus sign; empty where none was given
     */
    public static function telephone(string $e164, string $shown, string $name = ''): self
    {
        return new self('telephone', $e164, $shown, trim($name));
    }

    /**
     * A handle as it is stored.
     */
    public static function of(string $kind, string $value, string $shown, string $name): self
    {
        return new self($kind, $value, $shown, $name);
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
