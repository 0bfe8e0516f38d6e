<?php

declare(strict_types=1);

namespace App\Companies;

use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What the team wants to remember of a company. Its people never see it.
 *
 * @property int $id
 * @property int $company_id
 * @property int $teammate_id
 * @property string $text
 * @property CarbonImmutable $created_at
 * @property Teammate $teammate
 */
final class CompanyNote extends Row
{
    protected $table = 'company_notes';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }
}
