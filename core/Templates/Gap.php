<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * A placeholder for which there is nothing.
 */
final readonly class Gap
{
    /**
     * @param  int  $line  of the filled text, from 1
     */
    public function __construct(public string $name, public int $line) {}
}
