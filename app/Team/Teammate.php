<?php

declare(strict_types=1);

namespace App\Team;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User;

/**
 * A person of the care team.
 *
 * @property int $id
 * @property string $name
 * @property string $email
 * @property Role $role
 * @property string $time_zone
 * @property bool $single_keys
 * @property bool $may_sign_in
 * @property string $signature in their own name
 * @property array<string, array{app: bool, mail: string}>|null $told what they want to be told of, and how
 * @property string|null $calendar_key
 * @property CarbonImmutable|null $queue_looked_at
 */
final class Teammate extends User
{
    protected $fillable = ['name', 'email', 'password', 'role', 'time_zone', 'single_keys'];

    protected $attributes = ['signature' => ''];

    protected $hidden = ['password', 'remember_token'];

    public function firstName(): string
    {
        return explode(' ', $this->name)[0];
    }

    /**
     * @return BelongsToMany<Team, $this>
     */
    public function teams(): BelongsToMany
    {
        return $this->belongsToMany(Team::class);
    }

    protected function casts(): array
    {
        return [
            'role' => Role::class,
            'password' => 'hashed',
            'single_keys' => 'boolean',
            'told' => 'array',
            'may_sign_in' => 'boolean',
            'queue_looked_at' => 'immutable_datetime',
        ];
    }
}
