<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

/**
 * Something that an entry of the journal names: by its id, and by the name that it had then.
 */
final readonly class Named
{
    /**
     * @param  int|null  $id  null where only the name is known, as in what was written before ids were kept
     */
    public function __construct(public ?int $id, public string $name) {}

    public static function orNone(?int $id, ?string $name): ?self
    {
        return $id === null ? null : new self($id, (string) $name);
    }
}
