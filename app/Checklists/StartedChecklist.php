<?php

declare(strict_types=1);

namespace App\Checklists;

use App\Conversations\Conversation;
use App\Support\Row;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A checklist at work in one conversation, with its steps as they were when it was started.
 *
 * @property int $id
 * @property int $conversation_id
 * @property int|null $checklist_id
 * @property string $name
 * @property list<array{text: string, by: string|null, at: string|null}> $steps
 * @property Conversation $conversation
 */
final class StartedChecklist extends Row
{
    protected $table = 'started_checklists';

    protected $guarded = ['*'];

    public function doneCount(): int
    {
        return count(array_filter($this->steps, static fn (array $step): bool => $step['by'] !== null));
    }

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function conversation(): BelongsTo
    {
        return $this->belongsTo(Conversation::class);
    }

    protected function casts(): array
    {
        return ['steps' => 'array'];
    }
}
