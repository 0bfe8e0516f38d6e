<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

/**
 * What something that is on needs to be there.
 */
final readonly class Need
{
    /**
     * @param  string  $by  who needs it, as it is told: “the rule “Batch K””
     * @param  list<Reference>  $sets  what it would set, start or write with
     * @param  list<Reference>  $asks  what its condition asks for
     */
    public function __construct(public string $by, public array $sets, public array $asks = []) {}
}
