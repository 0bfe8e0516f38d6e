<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/**
 * One person signed in on one device, from when until when. It ends by itself when nothing is done for long, or after some days
 * whatever is done (OWASP ASVS 5, 7.3).
 *
 * @property int $id
 * @property int $teammate_id
 * @property string $network the address it was last seen from
 * @property string $device what the browser says of itself
 * @property CarbonImmutable $began_at
 * @property CarbonImmutable $seen_at
 * @property CarbonImmutable|null $ended_at
 */
final class SignIn extends Row
{
    protected $table = 'sign_ins';

    public $timestamps = false;

    protected $guarded = ['*'];

    /**
     * @return Builder<self>
     */
    public static function open(int $teammateId): Builder
    {
        return self::query()
            ->where('teammate_id', $teammateId)
            ->whereNull('ended_at')
            ->where('seen_at', '>', now()->subMinutes((int) config('cairnfield.sign_in.idle_minutes')))
            ->where('began_at', '>', now()->subDays((int) config('cairnfield.sign_in.longest_days')));
    }

    /**
     * The browser and the system, as far as it says so in words that people know.
     */
    public function deviceName(): string
    {
        $browser = match (1) {
            preg_match('/Edg\//', $this->device) => 'Edge',
            preg_match('/Firefox\//', $this->device) => 'Firefox',
            preg_match('/(?:Headless)?Chrome\//', $this->device) => 'Chrome',
            preg_match('/Safari\//', $this->device) => 'Safari',
            default => 'A browser',
        };
        $system = match (1) {
            preg_match('/iPhone|iPad/', $this->device) => 'iOS',
            preg_match('/Android/', $this->device) => 'Android',
            preg_match('/Windows/', $this->device) => 'Windows',
            preg_match('/Mac OS X/', $this->device) => 'macOS',
            preg_match('/Linux/', $this->device) => 'Linux',
            default => null,
        };

        return $system === null ? $browser : "{$browser} on {$system}";
    }

    protected function casts(): array
    {
        return [
            'began_at' => 'immutable_datetime', 'seen_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime',
        ];
    }
}
