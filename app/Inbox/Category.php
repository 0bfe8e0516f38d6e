<?php

declare(strict_types=1);

namespace App\Inbox;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int|null $parent_id
 * @property string $name
 * @property string $customer_name
 * @property Category|null $parent
 */
final class Category extends Model
{
    public $timestamps = false;

    protected $fillable = ['parent_id', 'name', 'customer_name', 'position'];

    /**
     * @return BelongsTo<Category, $this>
     */
    public function parent(): BelongsTo
    {
        return $this->belongsTo(self::class);
    }

    /**
     * `Delivery › Late parcel`.
     */
    public function path(): string
    {
        return $this->parent === null ? $this->name : "{$this->parent->name} › {$this->name}";
    }
}
