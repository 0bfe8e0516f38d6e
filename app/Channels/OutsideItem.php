<?php

declare(strict_types=1);

namespace App\Channels;

use DateTimeImmutable;

/**
 * Where an item stands at its source, for all channels but mail.
 */
final readonly class OutsideItem
{
    /**
     * @param  string  $outsideId  the source's own id, ASCII, at most 191 characters
     * @param  string|null  $thread  the source's id of what belongs together
     * @param  bool  $answersOurs  written in direct answer to something of ours
     * @param  int  $revision  grows with each change at the source
     * @param  string|null  $orderNumber  the order that the source says it is about
     * @param  int|null  $stars  1 to 5, of a rating
     * @param  DateTimeImmutable|null  $answerBy  until when the source wants an answer
     */
    public function __construct(
        public string $outsideId,
        public ItemKind $kind,
        public bool $public,
        public ?string $thread,
        public bool $answersOurs = false,
        public int $revision = 1,
        public bool $removed = false,
        public ?string $aboutTitle = null,
        public ?string $aboutUrl = null,
        public ?string $orderNumber = null,
        public ?int $stars = null,
        public ?DateTimeImmutable $answerBy = null,
    ) {}

    /**
     * The same with other values.
     *
     * @param  array<string, mixed>  $values  by the name of what they replace
     */
    public function replacing(array $values): self
    {
        return new self(...[...get_object_vars($this), ...$values]);
    }
}
