<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * One part of a template's text.
 */
interface Part
{
    public function fill(Filling $filling): void;

    /**
     * @return list<Placeholder> those in it, also where they stand behind a question
     */
    public function placeholders(): array;
}
