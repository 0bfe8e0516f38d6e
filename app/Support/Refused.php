<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/**
 * Something that is not done, as things stand or as it was asked for: said to the person who tried it, with what mends it.
 * Shown in one place (`bootstrap/app.php`), where it was tried, with the form as it was typed.
 */
abstract class Refused extends RuntimeException
{
    /**
     * @param  string  $reason  by which a program tells it, such as `no_file_attached`
     * @param  string  $message  in sentences
     * @param  string|null  $at  where it is, such as the name of a control; null where the whole is meant
     */
    final protected function __construct(public readonly string $reason, string $message, public readonly ?string $at = null)
    {
        parent::__construct($message);
    }

    /**
     * Where its message stands alone, and not after what was to be done.
     */
    final public function asSentence(): static
    {
        return new static($this->reason, ucfirst($this->getMessage()), $this->at);
    }
}
