<?php

declare(strict_types=1);

namespace App\Conditions;

use App\Conversations\Conversation;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\Operator;
use Closure;
use Illuminate\Database\Eloquent\Builder;

/**
 * Something that is so or not.
 */
final readonly class YesNoField implements Field
{
    use NamedField;

    /**
     * @param  string  $sql  an expression that is 1 or 0 for every conversation
     * @param  Closure(Conversation): bool  $read
     */
    public function __construct(private string $key, private string $label, private string $sql, private Closure $read) {}

    public function operators(): array
    {
        return [Operator::Is];
    }

    public function choices(): array
    {
        return ['yes' => 'yes', 'no' => 'no'];
    }

    public function fact(Conversation $conversation): bool
    {
        return ($this->read)($conversation);
    }

    public function where(Builder $query, Leaf $leaf): void
    {
        $holds = static fn (bool $fact): bool => $leaf->matches(Facts::of([$leaf->field => $fact]));
        $query->whereRaw(match ([$holds(true), $holds(false)]) {
            [true, true] => '1 = 1',
            [true, false] => "({$this->sql})",
            [false, true] => "NOT ({$this->sql})",
            default => '1 = 0',
        });
    }
}
