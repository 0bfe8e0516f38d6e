<?php

declare(strict_types=1);

namespace App\Team;

use App\Support\Row;
use Cairnfield\Core\Assigning\Method;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * @property int $id
 * @property string $name
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
        return ['turns' => Method::class];
    }
}
