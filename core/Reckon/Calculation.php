<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Cairnfield\Core\Input\Fields;
use Cairnfield\Core\Refusal;

/**
 * One question that can be put to the core by name, with plain values in and out.
 */
interface Calculation
{
    /**
     * What the case holds and what comes back, for people.
     */
    public function help(): string;

    /**
     * @return array<string, mixed> ready for JSON; money as decimal strings, instants as RFC 3339 in UTC
     *
     * @throws Refusal when the case cannot be worked out
     */
    public function reckon(Fields $case): array;
}
