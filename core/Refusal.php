<?php

declare(strict_types=1);

namespace Cairnfield\Core;

use DomainException;
use Throwable;

/**
 * What the core throws when it is asked for something it cannot work out.
 *
 * Each folder has one subclass, whose named constructors are the only places where its messages are
 * written. The code is stable and meant for programs; the message is meant for people; `at` names
 * the field of the input, as a dotted path with list positions in brackets (`weights[1]`).
 */
abstract class Refusal extends DomainException
{
    final protected function __construct(
        private readonly string $errorCode,
        string $message,
        private readonly string $at,
        ?Throwable $previous = null,
    ) {
        parent::__construct($message, 0, $previous);
    }

    final public function errorCode(): string
    {
        return $this->errorCode;
    }

    final public function at(): string
    {
        return $this->at;
    }
}
