<?php

declare(strict_types=1);

namespace App\Team;

use App\Hours\Calendars;
use App\Hours\StoreHours;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
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
 * @property string $password
 * @property CarbonImmutable|null $password_chosen_at null until they have come
 * @property string|null $second_factor_secret in base 32; null where the password is enough
 * @property CarbonImmutable|null $second_factor_since
 * @property int|null $second_factor_step
 * @property list<string>|null $recovery_codes hashes of those that are left
 * @property bool $may_sign_in
 * @property string $signature in their own name
 * @property array<string, array{app: bool, mail: string}>|null $told what they want to be told of, and how
 * @property string|null $calendar_key
 * @property CarbonImmutable|null $queue_looked_at
 * @property CarbonImmutable|null $away_from
 * @property CarbonImmutable|null $away_until null while away: until they say that they are here
 * @property Availability $availability as they have said; see `standing`
 * @property string|null $away_word why they are away, in a word of the store
 * @property int|null $calendar_id the hours in which they work
 * @property int|null $deputy_id who says yes or no for them while they are away
 * @property CarbonImmutable|null $approvals_reminded_at
 * @property list<string>|null $speaks languages beside the store's own, ISO 639-1
 * @property Collection<int, Team> $teams
 * @property Collection<int, Skill> $skills
 * @property Turn $turn where read through a team
 */
final class Teammate extends User
{
    protected $fillable = ['name', 'email', 'password', 'role', 'time_zone', 'single_keys'];

    protected $attributes = ['signature' => '', 'availability' => 'here'];

    protected $hidden = ['password', 'remember_token', 'second_factor_secret', 'recovery_codes'];

    /**
     * @return Builder<Teammate> those who can be chosen: they may sign in
     */
    public static function working(): Builder
    {
        return self::query()->where('may_sign_in', true)->orderBy('name');
    }

    /**
     * @return Builder<Teammate> those who can be asked for a yes or no
     */
    public static function approvers(): Builder
    {
        return self::working()->whereIn('role', Role::approving());
    }

    public function firstName(): string
    {
        return explode(' ', $this->name)[0];
    }

    public function isAway(): bool
    {
        return $this->away_from !== null && $this->away_from <= now() && ($this->away_until === null || $this->away_until > now());
    }

    /**
     * Whether they can be given something, all things together.
     */
    public function standing(): Availability
    {
        $hours = $this->calendar_id === null ? null : app(Calendars::class)->all()->get($this->calendar_id);

        return match (true) {
            $this->isAway() => Availability::Away,
            $hours !== null && ! StoreHours::of($hours)->isOpen(now()) => Availability::Off,
            default => $this->availability,
        };
    }

    /**
     * @return BelongsToMany<Skill, $this>
     */
    public function skills(): BelongsToMany
    {
        return $this->belongsToMany(Skill::class);
    }

    /**
     * Whether they will be away, or are.
     */
    public function hasAway(): bool
    {
        return $this->away_from !== null && ($this->away_until === null || $this->away_until > now());
    }

    /**
     * The lead who is here; where all are away, the first all the same.
     *
     * @param  list<int>|null  $among  who it may be; null for any
     */
    public static function leadOnDuty(?array $among = null): ?self
    {
        $leads = self::leads()->filter(static fn (self $lead): bool => $among === null || in_array($lead->id, $among, true));

        return $leads->first(static fn (self $lead): bool => ! $lead->isAway()) ?? $leads->first();
    }

    /**
     * @return Collection<int, self>
     */
    public static function leads(): Collection
    {
        return self::query()->where('role', Role::Lead)->where('may_sign_in', true)->orderBy('id')->get();
    }

    /**
     * @return BelongsToMany<Team, $this, Turn, 'turn'>
     */
    public function teams(): BelongsToMany
    {
        return $this->belongsToMany(Team::class)->using(Turn::class)->as('turn')->withPivot(['weight', 'cap', 'current', 'last_assigned']);
    }

    protected function casts(): array
    {
        return [
            'role' => Role::class,
            'password' => 'hashed',
            'single_keys' => 'boolean',
            'told' => 'array',
            'second_factor_secret' => 'encrypted',
            'second_factor_since' => 'immutable_datetime',
            'second_factor_step' => 'integer',
            'recovery_codes' => 'array',
            'may_sign_in' => 'boolean',
            'password_chosen_at' => 'immutable_datetime',
            'queue_looked_at' => 'immutable_datetime',
            'approvals_reminded_at' => 'immutable_datetime',
            'away_from' => 'immutable_datetime',
            'away_until' => 'immutable_datetime',
            'availability' => Availability::class,
            'speaks' => 'array',
        ];
    }
}
