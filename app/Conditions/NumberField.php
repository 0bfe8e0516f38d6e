<?php

declare(strict_types=1);

namespace App\Conditions;

use App\Conversations\Conversation;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;
use Closure;
use Illuminate\Database\Eloquent\Builder;

/**
 * A number, such as the hours that somebody has waited.
 */
final readonly class NumberField implements Field
{
    use AsksNumbers;
    use AsksTexts;
    use NamedField;

    /**
     * @param  Closure(): string  $sql  gives an expression that is the number, or null where there is none
     * @param  Closure(Conversation): ?int  $read
     */
    public function __construct(private string $key, private string $label, private Closure $sql, private Closure $read) {}

    public function operators(): array
    {
        return [Operator::MoreThan, Operator::LessThan, Operator::AtLeast, Operator::AtMost, Operator::Is];
    }

    public function choices(): array
    {
        return [];
    }

    public function fact(Conversation $conversation): ?int
    {
        return ($this->read)($conversation);
    }

    public function where(Builder $query, Leaf $leaf): void
    {
        $query->whereRaw(($this->isNegative($leaf) ? 'NOT ' : '').'COALESCE('.$this->numberHolds(($this->sql)(), $leaf).', 0)');
    }
}
