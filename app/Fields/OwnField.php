<?php

declare(strict_types=1);

namespace App\Fields;

use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A field that the store itself has added to conversations, customers or orders.
 *
 * @property int $id
 * @property About $about
 * @property string $name
 * @property string $word how conditions, searches and exports name it
 * @property FieldKind $kind
 * @property list<string> $choices
 * @property bool $required_to_resolve
 * @property int $position
 * @property CarbonImmutable|null $retired_at
 * @property Collection<int, OwnValue> $values
 */
final class OwnField extends Row
{
    protected $table = 'own_fields';

    protected $guarded = ['*'];

    /**
     * @return Builder<OwnField>
     */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('position')->orderBy('id');
    }

    /**
     * @return HasMany<OwnValue, $this>
     */
    public function values(): HasMany
    {
        return $this->hasMany(OwnValue::class);
    }

    protected function casts(): array
    {
        return [
            'about' => About::class, 'kind' => FieldKind::class, 'choices' => 'array', 'required_to_resolve' => 'boolean',
            'retired_at' => 'immutable_datetime',
        ];
    }
}
