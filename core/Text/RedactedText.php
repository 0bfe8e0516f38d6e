<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * A text after redaction, with what was taken out of it, in order of place.
 */
final readonly class RedactedText
{
    /**
     * @param  list<FoundSecret>  $found  places in the text as it was before
     */
    public function __construct(public string $text, public array $found) {}
}
