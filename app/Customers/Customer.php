<?php

declare(strict_types=1);

namespace App\Customers;

use App\Companies\Company;
use App\Conversations\Conversation;
use App\Fields\HasOwnValues;
use App\Orders\Order;
use App\Ratings\Rating;
use App\Support\Row;
use App\Support\StoresRows;
use Cairnfield\Core\Text\Folding;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A person, with all their addresses, numbers and account names. One that was merged into another
 * stays, without any of them, so that the merge can be undone.
 *
 * @property Collection<int, Rating> $ratings
 * @property int $id
 * @property string $name
 * @property string|null $language
 * @property array<string, string>|null $facts what the team knows of them, by name: `club: festival`
 * @property int|null $merged_into_id
 * @property int|null $company_id
 * @property string|null $company_role what they do there
 * @property Company|null $company
 * @property Collection<int, Handle> $handles
 * @property Collection<int, CustomerNote> $notes
 * @property Collection<int, Order> $orders
 * @property Collection<int, CustomerGroup> $groups
 */
final class Customer extends Row
{
    use HasOwnValues;
    use StoresRows;

    protected $table = 'customers';

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

    /**
     * @return HasMany<Order, $this>
     */
    public function orders(): HasMany
    {
        return $this->hasMany(Order::class);
    }

    /**
     * @return HasMany<Rating, $this>
     */
    public function ratings(): HasMany
    {
        return $this->hasMany(Rating::class);
    }

    /**
     * @return HasMany<CustomerNote, $this>
     */
    public function notes(): HasMany
    {
        $notes = $this->hasMany(CustomerNote::class);
        $notes->orderByDesc('id');

        return $notes;
    }

    /**
     * @return BelongsToMany<CustomerGroup, $this>
     */
    public function groups(): BelongsToMany
    {
        return $this->belongsToMany(CustomerGroup::class, 'customer_group_members', 'customer_id', 'group_id');
    }

    /**
     * @return BelongsTo<Company, $this>
     */
    public function company(): BelongsTo
    {
        return $this->belongsTo(Company::class);
    }

    /**
     * A name with its folded form, by which it is found.
     *
     * @return array{name: string, name_folded: string}
     */
    public static function named(string $name): array
    {
        return ['name' => $name, 'name_folded' => mb_substr(Folding::fold($name), 0, 300)];
    }

    protected static function booted(): void
    {
        self::saving(static fn (self $customer) => $customer->forceFill(self::named($customer->name)));
    }

    protected function casts(): array
    {
        return ['facts' => 'array'];
    }
}
