<?php

declare(strict_types=1);

namespace App\CreditNotes;

use App\Refunds\Refund;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What was given back, on paper. Once issued it never changes: a mistake is taken back by a further one, and made good by another.
 *
 * @property int $id
 * @property int $number without gaps
 * @property int $refund_id
 * @property int|null $corrects_id the one that it takes back, or stands in place of
 * @property bool $takes_back whether its amounts are the other's, taken back
 * @property string $once
 * @property string $language
 * @property array<string, mixed> $content as `CreditNoteContent` made it
 * @property string $link_key by which the customer fetches it
 * @property int|null $teammate_id who corrected
 * @property CarbonImmutable $issued_at
 * @property string|null $file where it is kept as a PDF; null until it is drawn
 * @property string|null $sha256
 * @property CarbonImmutable|null $draw_next_at
 * @property int $draw_attempts
 * @property Refund $refund
 * @property CreditNote|null $corrects
 * @property Teammate|null $teammate
 */
final class CreditNote extends Row
{
    public $timestamps = false;

    protected $table = 'credit_notes';

    protected $guarded = ['*'];

    protected $attributes = ['takes_back' => false, 'draw_attempts' => 0];

    public function title(): string
    {
        return self::numbered($this->number);
    }

    public static function numbered(int $number): string
    {
        return sprintf('CN-%05d', $number);
    }

    public function link(): string
    {
        return rtrim((string) config('app.url'), '/').route('credit-note', ['key' => $this->link_key], false);
    }

    /**
     * @return BelongsTo<Refund, $this>
     */
    public function refund(): BelongsTo
    {
        return $this->belongsTo(Refund::class);
    }

    /**
     * @return BelongsTo<CreditNote, $this>
     */
    public function corrects(): BelongsTo
    {
        return $this->belongsTo(self::class, 'corrects_id');
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
        return [
            'content' => 'array', 'takes_back' => 'boolean', 'issued_at' => 'immutable_datetime', 'draw_next_at' => 'immutable_datetime',
        ];
    }
}
