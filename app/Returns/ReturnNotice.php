<?php

declare(strict_types=1);

namespace App\Returns;

use App\Support\Row;
use App\Team\Teammate;
use App\Templates\Template;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What the customer is told of a step of a return.
 *
 * @property int $id
 * @property int $return_id
 * @property string $step
 * @property int $template_id
 * @property int|null $teammate_id in whose name
 * @property CarbonImmutable $at when the step was taken
 * @property CarbonImmutable|null $next_at
 * @property CarbonImmutable|null $told_at
 * @property string|null $why they were not told
 * @property CustomerReturn $return
 * @property Template|null $template
 * @property Teammate|null $teammate
 */
final class ReturnNotice extends Row
{
    public $timestamps = false;

    protected $table = 'return_notices';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<CustomerReturn, $this>
     */
    public function return(): BelongsTo
    {
        return $this->belongsTo(CustomerReturn::class, 'return_id');
    }

    /**
     * @return BelongsTo<Template, $this>
     */
    public function template(): BelongsTo
    {
        return $this->belongsTo(Template::class);
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'next_at' => 'immutable_datetime', 'told_at' => 'immutable_datetime'];
    }
}
