<?php

declare(strict_types=1);

namespace App\Team;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * @property int $id
 * @property string $name
 */
final class Team extends Model
{
    protected $fillable = ['name'];

    /**
     * @return BelongsToMany<Teammate, $this>
     */
    public function teammates(): BelongsToMany
    {
        return $this->belongsToMany(Teammate::class);
    }
}
