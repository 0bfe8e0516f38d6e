<?php

declare(strict_types=1);

namespace App\Rules;

use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A rule as it was from one change to the next.
 *
 * @property int $rule_id
 * @property int $version
 * @property int|null $teammate_id who changed it
 * @property array<string, mixed> $content
 * @property string $what what was changed, in words
 * @property CarbonImmutable $at
 * @property Teammate|null $teammate
 */
final class RuleVersion extends Row
{
    protected $table = 'rule_versions';

    public $incrementing = false;

    public $timestamps = false;

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    protected function casts(): array
    {
        return ['content' => 'array', 'at' => 'immutable_datetime'];
    }
}
