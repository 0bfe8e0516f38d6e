<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Support\Row;
use App\Team\Teammate;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Written for the team only. Never leaves the application.
 *
 * @property int $id
 * @property int $conversation_id
 * @property int|null $teammate_id null where a rule wrote it
 * @property string $text
 * @property string $once_key
 * @property Teammate|null $teammate
 */
final class Note extends Row
{
    protected $table = 'notes';

    protected $guarded = ['*'];

    /**
     * Under which a note is stored once, however often its form is sent.
     */
    public static function onceKey(int $teammateId, string $formKey): string
    {
        return hash('sha256', "note:{$teammateId}:{$formKey}");
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }
}
