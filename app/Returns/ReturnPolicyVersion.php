<?php

declare(strict_types=1);

namespace App\Returns;

use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A policy as it once was, and who made it so.
 *
 * @property int $id
 * @property int $policy_id
 * @property int $version
 * @property array<string, mixed> $content
 * @property CarbonImmutable $at
 * @property Teammate|null $teammate
 */
final class ReturnPolicyVersion extends Row
{
    public $timestamps = false;

    protected $table = 'return_policy_versions';

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
