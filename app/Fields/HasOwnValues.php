<?php

declare(strict_types=1);

namespace App\Fields;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What the store's own fields hold of something, to be read for many at once.
 *
 * @property Collection<int, OwnValue> $ownValues
 */
trait HasOwnValues
{
    /**
     * @return HasMany<OwnValue, $this>
     */
    public function ownValues(): HasMany
    {
        $values = $this->hasMany(OwnValue::class, 'about_id');
        $values->whereIn('own_field_id', OwnField::query()->where('about', About::of($this))->select('id'))
            ->orderBy('about_id')
            ->orderBy('position');

        return $values;
    }
}
