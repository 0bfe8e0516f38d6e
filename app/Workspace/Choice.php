<?php

declare(strict_types=1);

namespace App\Workspace;

/**
 * One entry of a menu: no more than is shown of it.
 */
final readonly class Choice
{
    /**
     * @param  string|null  $also  what else its menu needs to know of it
     */
    public function __construct(public int $id, public string $name, public ?string $also) {}
}
