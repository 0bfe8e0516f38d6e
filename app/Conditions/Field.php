<?php

declare(strict_types=1);

namespace App\Conditions;

use App\Conversations\Conversation;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;
use Illuminate\Database\Eloquent\Builder;

/**
 * Something that can be asked of a conversation: as a fact for the core, and as a part of a query. Both
 * give the same answer for every conversation.
 */
interface Field
{
    /**
     * How conditions name it.
     */
    public function key(): string;

    public function label(): string;

    /**
     * @return list<Operator> those that make sense for it, the usual one first
     */
    public function operators(): array;

    /**
     * What can be chosen as its value, value to label; empty where anything can be written.
     *
     * @return array<int|string, string>
     */
    public function choices(): array;

    /**
     * @return string|int|float|bool|list<string>|null
     */
    public function fact(Conversation $conversation): string|int|float|bool|array|null;

    /**
     * Narrows the query to where the leaf holds. What is added is true or false for every row, never unknown.
     *
     * @param  Builder<Conversation>  $query
     */
    public function where(Builder $query, Leaf $leaf): void;
}
