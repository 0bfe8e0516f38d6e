<?php

declare(strict_types=1);

namespace App\Conversations;

use Closure;

/**
 * Why things happen just now: the rule that is being carried out, and how many rules have led to it. The journal
 * writes it beside everything that it records meanwhile.
 */
final class Cause
{
    /** @var array<string, string> */
    private array $details = [];

    /**
     * @template T
     *
     * @param  int  $depth  from 1: how many rules, one waking the next
     * @param  Closure(): T  $do
     * @return T
     */
    public function rule(int $id, string $name, int $depth, Closure $do): mixed
    {
        $before = $this->details;
        $this->details = ['rule' => $name, 'rule_id' => (string) $id, 'depth' => (string) $depth];
        try {
            return $do();
        } finally {
            $this->details = $before;
        }
    }

    /**
     * @return array<string, string>
     */
    public function details(): array
    {
        return $this->details;
    }
}
