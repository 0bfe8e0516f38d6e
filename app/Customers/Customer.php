<?php

declare(strict_types=1);

namespace App\Customers;

use App\Inbox\Conversation;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property string|null $language
 * @property Collection<int, Handle> $handles
 */
final class Customer extends Model
{
    protected $fillable = ['name', 'language'];

    /**
     * @return HasMany<Handle, $this>
     */
    public function handles(): HasMany
    {
        return $this->hasMany(Handle::class);
    }

    /**
     * @return HasMany<Conversation, $this>
     */
    public function conversations(): HasMany
    {
        return $this->hasMany(Conversation::class);
    }
}
