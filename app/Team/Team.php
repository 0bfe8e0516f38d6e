<?php

declare(strict_types=1);

namespace App\Team;

use App\Support\Row;
use Cairnfield\Core\Assigning\Method;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * @property int $id
 * @property string $name
 * @property bool $earlier_owner_first whether who had the customer's last matter gets the next, where they are here
 * @property bool $next_only whether its people take what is next, and nothing else
 * @property int|null $fallback_minutes after which a turn that nobody takes goes elsewhere; null for never
 * @property int|null $fallback_team_id to which; null for the lead
 * @property Method|null $turns how it gives out what comes in; null where people take it themselves
 */
final class Team extends Row
{
    protected $table = 'teams';

    protected $fillable = ['name'];

    /**
     * @return BelongsToMany<Teammate, $this, Turn, 'turn'>
     */
    public function teammates(): BelongsToMany
    {
        return $this->belongsToMany(Teammate::class)
            ->using(Turn::class)
            ->as('turn')
            ->withPivot(['weight', 'cap', 'current', 'last_assigned']);
    }

    protected function casts(): array
    {
        return ['turns' => Method::class, 'earlier_owner_first' => 'boolean', 'next_only' => 'boolean'];
    }
}
