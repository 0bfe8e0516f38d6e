<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A link by which one person can choose a password, once, for a while. Of its key only a hash is stored.
 *
 * @property int $id
 * @property int $teammate_id
 * @property int|null $made_by_id
 * @property PassPurpose $purpose
 * @property string $key_hash
 * @property CarbonImmutable $made_at
 * @property CarbonImmutable $expires_at
 * @property CarbonImmutable|null $used_at
 * @property Teammate $teammate
 */
final class Pass extends Row
{
    protected $table = 'passes';

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
        return [
            'purpose' => PassPurpose::class, 'made_at' => 'immutable_datetime', 'expires_at' => 'immutable_datetime',
            'used_at' => 'immutable_datetime',
        ];
    }
}
