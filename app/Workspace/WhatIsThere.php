<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Support\PlainQuery;
use Illuminate\Contracts\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Of what a page shows most is not there for most conversations: asked for all at once, so that only what is there is fetched.
 */
final readonly class WhatIsThere
{
    /**
     * @param  array<string, bool>  $there
     */
    private function __construct(private array $there) {}

    /**
     * @param  array<string, Builder>  $questions  rows that there may be, by a name of ours
     */
    public static function ask(array $questions): self
    {
        if ($questions === []) {
            return new self([]);
        }
        $sql = $values = [];
        foreach ($questions as $name => $rows) {
            $query = PlainQuery::of($rows)->selectRaw('1');
            $sql[] = "exists({$query->toSql()}) as `{$name}`";
            array_push($values, ...$query->getBindings());
        }

        return new self(array_map(boolval(...), (array) DB::selectOne('select '.implode(', ', $sql), $values)));
    }

    public function has(string $name): bool
    {
        return $this->there[$name] ?? true;
    }
}
