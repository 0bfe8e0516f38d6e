<?php

declare(strict_types=1);

namespace App\Checklists;

use App\Sorting\Category;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Steps to go through for one kind of matter.
 *
 * @property int $id
 * @property string $name
 * @property list<string> $steps
 * @property int|null $category_id for which it is offered first
 * @property CarbonImmutable|null $retired_at
 * @property Category|null $category
 */
final class Checklist extends Row
{
    protected $table = 'checklists';

    protected $guarded = ['*'];

    /**
     * @return Builder<Checklist>
     */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('name');
    }

    /**
     * @return BelongsTo<Category, $this>
     */
    public function category(): BelongsTo
    {
        return $this->belongsTo(Category::class);
    }

    protected function casts(): array
    {
        return ['steps' => 'array', 'retired_at' => 'immutable_datetime'];
    }
}
