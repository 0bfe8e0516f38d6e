<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Support\Row;
use App\Team\Skill;
use App\Team\Teammate;
use Cairnfield\Core\Queue\Priority;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * @property int $id
 * @property int|null $parent_id
 * @property string $name
 * @property string $customer_name
 * @property string $path `Delivery › Late parcel`
 * @property bool $hidden whether customers are not offered it
 * @property int $position
 * @property int|null $responsible_id
 * @property CarbonImmutable|null $retired_at
 * @property int|null $merged_into_id
 * @property int|null $brings_team_id what a new matter of it begins with; null is as for the category above
 * @property Priority|null $brings_priority
 * @property int|null $brings_checklist_id
 * @property bool|null $gives_out whether it is given out by its team's turns
 * @property bool|null $members_only whether its conversations are read by its members alone; see WhoMayRead
 * @property string|null $receipt what a receipt says, in place of the usual text
 * @property Category|null $parent
 */
final class Category extends Row
{
    protected $table = 'categories';

    public $timestamps = false;

    protected $fillable = ['parent_id', 'name', 'customer_name', 'position', 'path'];

    /**
     * @return BelongsTo<Category, $this>
     */
    public function parent(): BelongsTo
    {
        return $this->belongsTo(self::class);
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function responsible(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    /**
     * Those who know about it.
     *
     * @return BelongsToMany<Teammate, $this>
     */
    public function members(): BelongsToMany
    {
        return $this->belongsToMany(Teammate::class);
    }

    /**
     * What one must be able to do for it; none: as for the category above.
     *
     * @return BelongsToMany<Skill, $this>
     */
    public function needs(): BelongsToMany
    {
        return $this->belongsToMany(Skill::class);
    }

    /**
     * @return Builder<Category> those that can be chosen, in the order of the tree
     */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('position')->orderBy('id');
    }

    protected function casts(): array
    {
        return [
            'hidden' => 'boolean', 'retired_at' => 'immutable_datetime', 'brings_priority' => Priority::class, 'gives_out' => 'boolean',
            'members_only' => 'boolean',
        ];
    }
}
