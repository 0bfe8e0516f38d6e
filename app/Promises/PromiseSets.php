<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conditions\UnknownField;
use App\Conversations\Conversation;
use App\Rules\RuleFields;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Leaf;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Contracts\Container\Container;
use Illuminate\Database\Eloquent\Collection;

/**
 * The promise sets as they are now, and as they were: read once for a page or a job.
 */
final class PromiseSets
{
    /** @var list<array{PromiseSet, Condition}>|null those that are on and can be asked, in their order */
    private ?array $inOrder = null;

    /** @var array<int, Collection<int, PromiseSetVersion>> by set, the oldest first */
    private array $versions = [];

    private ?PromiseFields $fields = null;

    public function __construct(private readonly Container $app) {}

    /**
     * The first that fits; null where none does.
     */
    public function fitting(Conversation $conversation): ?PromiseSet
    {
        return $this->firstOf($conversation, $this->inOrder());
    }

    /**
     * @param  list<array{PromiseSet, Condition}>  $sets
     */
    public function firstOf(Conversation $conversation, array $sets): ?PromiseSet
    {
        foreach ($sets as [$set, $condition]) {
            if ($this->fits($conversation, $condition)) {
                return $set;
            }
        }

        return null;
    }

    /**
     * @return list<array{PromiseSet, Condition}>
     */
    public function inOrder(): array
    {
        if ($this->inOrder === null) {
            $this->inOrder = [];
            foreach (PromiseSet::inOrder()->where('on', true)->get() as $set) {
                try {
                    $condition = Condition::read(json_decode((string) json_encode($set->condition)));
                    array_map(fn (Leaf $leaf) => $this->fields()->get($leaf->field), $condition->leaves());
                    $this->inOrder[] = [$set, $condition];
                } catch (RulesRefused|UnknownField) {
                    // It asks for what is not there any more: its page says so, and the next one applies.
                }
            }
        }

        return $this->inOrder;
    }

    /**
     * Whether one of them asks for this.
     */
    public function ask(string $field): bool
    {
        foreach ($this->inOrder() as [, $condition]) {
            if (array_filter($condition->leaves(), static fn (Leaf $leaf): bool => $leaf->field === $field) !== []) {
                return true;
            }
        }

        return false;
    }

    /**
     * @return Collection<int, PromiseSetVersion>
     */
    public function versions(int $set): Collection
    {
        return $this->versions[$set] ??= PromiseSetVersion::query()->where('promise_set_id', $set)->orderBy('version')->get();
    }

    /**
     * With what could be chosen where the sets ask for it.
     */
    public function forget(): void
    {
        $this->fields = null;
        $this->inOrder = null;
        $this->versions = [];
    }

    private function fields(): PromiseFields
    {
        return $this->fields ??= $this->app->make(PromiseFields::class);
    }

    private function fits(Conversation $conversation, Condition $condition): bool
    {
        $conversation->loadMissing(
            array_values(array_filter(RuleFields::reads($condition), static fn (string $one): bool => ! str_starts_with($one, 'message.')))
        );

        return $condition->because($this->fields()->facts($conversation, $condition)) !== null;
    }
}
