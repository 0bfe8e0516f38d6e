<?php

declare(strict_types=1);

namespace App\Support;

use Closure;

/**
 * Remembers for a few seconds what is asked for again and again, so that a long-running worker
 * neither asks each time nor works with what was true when it began.
 *
 * @template-covariant T
 */
final class ShortLivedCache
{
    private const SECONDS = 5;

    /** @var array{T}|null */
    private ?array $remembered = null;

    private int $at = 0;

    /**
     * @param  Closure(): T  $read
     */
    public function __construct(private readonly Closure $read) {}

    /**
     * @return T
     */
    public function get(): mixed
    {
        if ($this->remembered === null || time() - $this->at >= self::SECONDS) {
            $this->remembered = [($this->read)()];
            $this->at = time();
        }

        return $this->remembered[0];
    }

    public function forget(): void
    {
        $this->remembered = null;
    }
}
