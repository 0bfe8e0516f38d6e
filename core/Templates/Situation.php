<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * The conversation that a template is looked for.
 */
final readonly class Situation
{
    /**
     * @param  list<string>  $words  of what the customer wrote, folded, each once
     */
    public function __construct(public ?int $category, public string $channel, public array $words) {}
}
