<?php

declare(strict_types=1);

namespace App\History;

/**
 * One item of a file: a raw mail, or the values of a conversation.
 */
final readonly class HistoryItem
{
    /**
     * @param  string  $place  for the report: `message at byte 1204`, `line 17`, `inbox/3.eml`
     * @param  int  $next  where to go on after it
     * @param  string|null  $raw  a mail, byte for byte
     * @param  array<string, mixed>|null  $values  a conversation
     * @param  string|null  $problem  why it can be neither
     */
    public function __construct(
        public string $place,
        public int $next,
        public ?string $raw = null,
        public ?array $values = null,
        public ?string $problem = null,
    ) {}
}
