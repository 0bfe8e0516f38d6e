<?php

declare(strict_types=1);

namespace App\Views;

use App\Support\Row;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A view that somebody has made: which conversations, in which order, with which columns.
 *
 * @property int $id
 * @property string $name
 * @property int $teammate_id who made it
 * @property SharedWith $shared_with
 * @property int|null $team_id
 * @property array<string, mixed> $condition
 * @property list<string> $columns
 * @property Sort $sort
 * @property BoardBy $board_by
 * @property Teammate $teammate
 * @property Team|null $team
 */
final class SavedView extends Row
{
    protected $table = 'saved_views';

    protected $guarded = ['*'];

    /**
     * Tells one state of it from another.
     */
    public function mark(): string
    {
        return hash('sha256', (string) json_encode([
            $this->name, $this->shared_with, $this->team_id, $this->condition, $this->columns, $this->sort, $this->board_by,
        ]));
    }

    /**
     * Their own, those of their teams, and everybody's.
     *
     * @return Builder<SavedView>
     */
    public static function seenBy(Teammate $teammate): Builder
    {
        return self::query()
            ->where(fn (Builder $views) => $views
                ->where('teammate_id', $teammate->id)
                ->orWhere('shared_with', SharedWith::Everybody)
                ->orWhere(
                    fn (Builder $teams) => $teams->where('shared_with', SharedWith::Team)->whereIn(
                        'team_id', $teammate->teams()->select('teams.id')
                    )
                ))
            ->orderBy('id');
    }

    /**
     * @throws RulesRefused when it is no condition that can be asked
     */
    public function asks(Teammate $teammate): Condition
    {
        return Condition::read(json_decode((string) json_encode(self::withMe($this->condition, $teammate))));
    }

    /**
     * @return list<Column>
     */
    public function shownColumns(): array
    {
        return array_values(array_filter(array_map(Column::tryFrom(...), $this->columns)));
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    /**
     * @return BelongsTo<Team, $this>
     */
    public function team(): BelongsTo
    {
        return $this->belongsTo(Team::class);
    }

    /**
     * `me` is whoever looks.
     */
    private static function withMe(mixed $node, Teammate $teammate): mixed
    {
        if (! is_array($node)) {
            return $node;
        }
        if (($node['field'] ?? null) === 'owner' && isset($node['value'])) {
            $me = static fn (mixed $value): mixed => $value === 'me' ? (string) $teammate->id : $value;
            $node['value'] = is_array($node['value']) ? array_map($me, $node['value']) : $me($node['value']);

            return $node;
        }

        // An empty list is one, also where PHP cannot tell it from an empty object.
        return array_map(static fn (mixed $part): mixed => self::withMe($part, $teammate), $node);
    }

    protected function casts(): array
    {
        return [
            'shared_with' => SharedWith::class, 'condition' => 'array', 'columns' => 'array', 'sort' => Sort::class,
            'board_by' => BoardBy::class,
        ];
    }
}
