<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Conversations\Conversation;
use App\Support\Row;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One conversation of a bulk change, and what became of it.
 *
 * @property int $bulk_change_id
 * @property int $conversation_id
 * @property string $state
 * @property string $reason
 * @property int $seen
 * @property int|null $changed_at_entry
 * @property array<string, mixed>|null $before
 * @property Conversation $conversation
 */
final class BulkItem extends Row
{
    protected $table = 'bulk_items';

    public const PLANNED = 'planned';

    public const SKIPPED = 'skipped';

    public const CHANGED = 'changed';

    public const UNDONE = 'undone';

    public $timestamps = false;

    public $incrementing = false;

    protected $guarded = ['*'];

    protected $primaryKey = 'conversation_id';

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function conversation(): BelongsTo
    {
        return $this->belongsTo(Conversation::class);
    }

    protected function casts(): array
    {
        return ['before' => 'array'];
    }
}
