<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * How often a template was used, and on what.
 */
final readonly class TemplateHabit
{
    /**
     * @param  int  $uses  in all, at least 1
     * @param  array<int|string, int>  $byCategory  uses by category
     * @param  array<string, int>  $byChannel  uses by channel
     * @param  array<int|string, int>  $byWord  uses on messages in which the word stands, by folded word
     */
    public function __construct(
        public int $template, public int $uses, public array $byCategory, public array $byChannel, public array $byWord
    ) {}
}
