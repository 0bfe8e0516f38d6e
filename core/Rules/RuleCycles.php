<?php

declare(strict_types=1);

namespace Cairnfield\Core\Rules;

/**
 * Rules that wake each other in a circle: strongly connected parts of the graph in which a rule leads to all
 * that listen to what it causes (Tarjan, Depth-first search and linear graph algorithms, 1972).
 */
final class RuleCycles
{
    private int $next = 0;

    /** @var array<int|string, int> */
    private array $index = [];

    /** @var array<int|string, int> */
    private array $low = [];

    /** @var list<int|string> */
    private array $stack = [];

    /** @var array<int|string, true> */
    private array $onStack = [];

    /** @var list<list<int|string>> */
    private array $found = [];

    /**
     * @param  array<int|string, list<int|string>>  $wakes
     */
    private function __construct(private readonly array $wakes) {}

    /**
     * @param  array<int|string, array{listens: list<string>, causes: list<string>}>  $rules  by id: the events it runs on, and
     *   those it brings about
     * @return list<list<int|string>> each a circle of ids in the order of the rules; one rule alone where it wakes itself
     */
    public static function of(array $rules): array
    {
        $wakes = [];
        foreach ($rules as $id => ['causes' => $causes]) {
            $wakes[$id] = [];
            foreach ($rules as $other => ['listens' => $listens]) {
                if (array_intersect($causes, $listens) !== []) {
                    $wakes[$id][] = $other;
                }
            }
        }
        $circles = new self($wakes);
        foreach (array_keys($rules) as $id) {
            isset($circles->index[$id]) ?: $circles->visit($id);
        }
        $order = array_flip(array_keys($rules));
        $found = [];
        foreach ($circles->found as $circle) {
            if (count($circle) > 1 || in_array($circle[0], $wakes[$circle[0]], true)) {
                usort($circle, static fn (int|string $one, int|string $other): int => $order[$one] <=> $order[$other]);
                $found[] = $circle;
            }
        }
        usort($found, static fn (array $one, array $other): int => $order[$one[0]] <=> $order[$other[0]]);

        return $found;
    }

    private function visit(int|string $id): void
    {
        $this->index[$id] = $this->low[$id] = $this->next++;
        $this->stack[] = $id;
        $this->onStack[$id] = true;
        foreach ($this->wakes[$id] as $other) {
            if (! isset($this->index[$other])) {
                $this->visit($other);
                $this->low[$id] = min($this->low[$id], $this->low[$other]);
            } elseif (isset($this->onStack[$other])) {
                $this->low[$id] = min($this->low[$id], $this->index[$other]);
            }
        }
        if ($this->low[$id] !== $this->index[$id]) {
            return;
        }
        $circle = [];
        do {
            $one = array_pop($this->stack);
            if ($one === null) {
                break;
            }
            unset($this->onStack[$one]);
            $circle[] = $one;
        } while ($one !== $id);
        $this->found[] = array_reverse($circle);
    }
}
