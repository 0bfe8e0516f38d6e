<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\Field;
use App\Conditions\NamedField;
use App\Conversations\Conversation;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use LogicException;

/**
 * Something that can be asked only of what has just happened, such as the text of a message. Never part of a query.
 */
final class RuleTriggerField implements Field
{
    use NamedField;

    /**
     * @param  list<Operator>  $operators
     * @param  array<int|string, string>|Closure(): array<int|string, string>  $choices  looked up only where they are shown
     * @param  Closure(RuleTrigger): (string|int|float|bool|list<string>|null)  $read
     */
    public function __construct(
        private readonly string $key, private readonly string $label, private readonly array $operators,
        private array|Closure $choices, private readonly Closure $read
    ) {}

    /**
     * @return string|int|float|bool|list<string>|null
     */
    public function of(RuleTrigger $trigger): string|int|float|bool|array|null
    {
        return ($this->read)($trigger);
    }

    public function operators(): array
    {
        return $this->operators;
    }

    public function choices(): array
    {
        return $this->choices = is_array($this->choices) ? $this->choices : ($this->choices)();
    }

    public function fact(Conversation $conversation): string|int|float|bool|array|null
    {
        throw new LogicException("“{$this->key}” is known only of what has just happened.");
    }

    public function where(Builder $query, Leaf $leaf): void
    {
        throw new LogicException("“{$this->key}” is known only of what has just happened.");
    }
}
