<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * A template that fits, with what speaks for it.
 */
final readonly class Suggestion
{
    /**
     * @param  int  $inCategory  how often it was used in the conversation's category
     * @param  list<string>  $words  of the message that speak for it, the strongest first
     */
    public function __construct(
        public int $template, public float $weight, public int $uses, public int $inCategory, public array $words
    ) {}
}
