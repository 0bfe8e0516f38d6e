<?php

declare(strict_types=1);

namespace App\Views;

use App\Conditions\ConditionQuery;
use App\Conditions\UnknownField;
use App\Conversations\Conversation;
use App\Queue\QueueView;
use App\Team\Teammate;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Database\Eloquent\Builder;

/**
 * One view as somebody looks at it: a built-in one or a saved one.
 */
final readonly class ShownView
{
    private function __construct(public ?QueueView $builtIn, public ?SavedView $saved) {}

    public static function builtIn(QueueView $view): self
    {
        return new self($view, null);
    }

    public static function saved(SavedView $view): self
    {
        return new self(null, $view);
    }

    /**
     * By what stands in the address: `my-turn`, or the number of a saved one.
     */
    public static function find(string $key, Teammate $teammate): ?self
    {
        $builtIn = QueueView::tryFrom($key);
        if ($builtIn !== null) {
            return self::builtIn($builtIn);
        }
        $saved = ctype_digit($key) ? SavedView::seenBy($teammate)->find((int) $key) : null;

        return $saved === null ? null : self::saved($saved);
    }

    public function key(): string
    {
        return $this->builtIn->value ?? (string) $this->saved?->id;
    }

    public function label(): string
    {
        return $this->builtIn?->label() ?? (string) $this->saved?->name;
    }

    public function emptyText(): string
    {
        return $this->builtIn?->emptyText() ?? 'Nothing fits this view at the moment.';
    }

    /**
     * Whether its rows are shown in groups by when their promise falls due.
     */
    public function isGrouped(): bool
    {
        return $this->builtIn === QueueView::MyTurn || $this->builtIn === QueueView::NobodysYet;
    }

    /**
     * @return list<Column>
     */
    public function columns(): array
    {
        return $this->saved?->shownColumns() ?? Column::USUAL;
    }

    public function boardBy(): BoardBy
    {
        return $this->saved->board_by ?? BoardBy::State;
    }

    /**
     * @param  Builder<Conversation>  $query
     * @param  string|null  $owner  an owner's id, or `nobody`; null where it is not asked for
     *
     * @throws UnknownField|RulesRefused
     */
    public function narrow(Builder $query, ConditionQuery $conditions, Teammate $teammate, ?string $owner): void
    {
        if ($this->saved === null) {
            $this->builtIn?->narrow($query, $teammate, $owner);

            return;
        }
        self::narrowBy($query, $conditions, $this->saved->asks($teammate));
        match ($owner) {
            null => null,
            'nobody' => $query->whereNull('owner_id'),
            default => $query->where('owner_id', (int) $owner),
        };
        $this->saved->sort->order($query);
    }

    /**
     * What is joined into another is shown there, and junk where it is junk.
     *
     * @param  Builder<Conversation>  $query
     */
    public static function narrowBy(Builder $query, ConditionQuery $conditions, Condition $condition): void
    {
        $query->whereNull('joined_into_id')->where('junk', false);
        $conditions->narrow($query, $condition);
    }
}
