<?php

declare(strict_types=1);

namespace App\Conditions;

use App\Conversations\Conversation;
use Cairnfield\Core\Rules\AllOf;
use Cairnfield\Core\Rules\AnyOf;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Node;
use Cairnfield\Core\Rules\Not;
use Illuminate\Database\Eloquent\Builder;

/**
 * A condition as a query over conversations: it finds those for which the core says that it holds.
 */
final readonly class ConditionQuery
{
    public function __construct(private ConversationFields $fields) {}

    /**
     * @param  Builder<Conversation>  $query
     *
     * @throws UnknownField
     */
    public function narrow(Builder $query, Condition $condition): void
    {
        $this->add($query, $condition->root);
    }

    /**
     * @param  Builder<Conversation>  $query
     */
    private function add(Builder $query, Node $node): void
    {
        match (true) {
            $node instanceof Leaf => $this->fields->get($node->field)->where($query, $node),
            $node instanceof Not => $query->whereNot(fn (Builder $part) => $this->add($part, $node->part)),
            $node instanceof AllOf => $node->parts === []
                ? $query->whereRaw('1 = 1')
                : $query->where(function (Builder $all) use ($node): void {
                    foreach ($node->parts as $part) {
                        $all->where(fn (Builder $one) => $this->add($one, $part));
                    }
                }),
            $node instanceof AnyOf => $node->parts === []
                ? $query->whereRaw('1 = 0')
                : $query->where(function (Builder $any) use ($node): void {
                    foreach ($node->parts as $part) {
                        $any->orWhere(fn (Builder $one) => $this->add($one, $part));
                    }
                }),
            default => null,
        };
    }
}
