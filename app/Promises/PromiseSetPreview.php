<?php

declare(strict_types=1);

namespace App\Promises;

/**
 * What a promise set would change, before it is saved; of many, as far as it was reckoned.
 */
final readonly class PromiseSetPreview
{
    /** So many of those that would be missed are named. */
    public const NAMED = 8;

    /**
     * @param  int  $open  all that are open
     * @param  int|null  $upTo  the number of the conversation up to which it was reckoned; null where that is all
     * @param  int  $looked  conversations that were reckoned
     * @param  int  $fit  of these, what it would be for
     * @param  int  $changes  of these, what would fall due at another time
     * @param  int  $missed  of these, what would be missed by that
     * @param  list<int>  $named  the first of what would be missed
     */
    public function __construct(
        public int $open = 0, public ?int $upTo = 0, public int $looked = 0, public int $fit = 0, public int $changes = 0,
        public int $missed = 0, public array $named = []
    ) {}

    /**
     * What was reckoned before, as the page hands it back.
     *
     * @param  array<mixed>  $written
     */
    public static function soFar(array $written): self
    {
        $number = static fn (string $key): int => is_numeric($written[$key] ?? null) ? max(0, (int) $written[$key]) : 0;

        return new self(
            0, $number('upTo'), $number('looked'), $number('fit'), $number('changes'), $number('missed'),
            array_slice(
                array_values(array_map(intval(...), array_filter((array) ($written['named'] ?? []), is_numeric(...)))), 0, self::NAMED
            )
        );
    }

    public function isAll(): bool
    {
        return $this->upTo === null;
    }
}
