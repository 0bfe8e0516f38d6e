<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * What a mail system says of a message of ours that it could not hand over, or not yet.
 */
final readonly class Bounce
{
    /**
     * @param  list<string>  $messageIds  of the message it is about, as far as it names them, without angle brackets
     * @param  list<string>  $addresses  those that it did not reach; empty where that is not said
     * @param  bool  $isFinal  whether it has given up; else it still tries
     * @param  string  $why  in plain words
     * @param  int|null  $message  the number of the message of ours, where it came to an address that carries it
     */
    public function __construct(
        public array $messageIds, public array $addresses, public bool $isFinal, public string $why, public ?int $message = null
    ) {}

    public function about(?int $message): self
    {
        return new self($this->messageIds, $this->addresses, $this->isFinal, $this->why, $message);
    }
}
