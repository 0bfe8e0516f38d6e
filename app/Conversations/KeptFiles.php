<?php

declare(strict_types=1);

namespace App\Conversations;

/**
 * Where the bytes of an arrival are kept.
 */
final readonly class KeptFiles
{
    /**
     * @param  list<string>  $attachments  in their order
     * @param  string|null  $original  null where there is none, or where it may not be kept
     */
    public function __construct(public array $attachments, public ?string $original) {}
}
