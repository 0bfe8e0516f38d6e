<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

use LogicException;

/**
 * The kinds of entries that the places write, each with the class that says what stands in it.
 */
final readonly class Payloads
{
    /**
     * @param  array<string, class-string<Payload>>  $byKind  by the value of the kind
     */
    public function __construct(private array $byKind) {}

    /**
     * @return class-string<Payload>
     */
    public function of(JournalKind $kind): string
    {
        return $this->byKind[$kind->value] ?? throw new LogicException("No place writes the entry “{$kind->value}”: see Contributions.");
    }

    /**
     * What a person who is writing an answer must not miss.
     *
     * @return list<JournalKind>
     */
    public function mattering(): array
    {
        return array_values(array_filter(JournalKind::cases(), fn (JournalKind $kind): bool => $this->of($kind)::matters()));
    }
}
