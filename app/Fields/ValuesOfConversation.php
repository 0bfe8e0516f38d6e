<?php

declare(strict_types=1);

namespace App\Fields;

use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Snapshots\SnapshotPart;
use Illuminate\Database\Eloquent\Builder;

/**
 * What is written in a conversation’s fields of the store’s own.
 */
final readonly class ValuesOfConversation implements SnapshotPart
{
    private const KEPT = ['own_field_id', 'position', 'text', 'folded', 'number'];

    public function key(): string
    {
        return 'fields';
    }

    public function take(Conversation $conversation): array
    {
        return $this->of($conversation)->orderBy('own_field_id')->orderBy('position')->get(self::KEPT)
            ->map(static fn (OwnValue $value): array => $value->getAttributes())->all();
    }

    public function restore(Conversation $conversation, array $taken): void
    {
        if ($this->take($conversation) === $taken) {
            return;
        }
        $this->of($conversation)->delete();
        OwnValue::query()->insert(array_map(
            static fn (array $value): array => ['about_id' => $conversation->id, ...array_intersect_key($value, array_flip(self::KEPT))],
            array_values($taken)
        ));
    }

    public function changedBy(): array
    {
        return [JournalKind::FieldChanged];
    }

    /**
     * @return Builder<OwnValue>
     */
    private function of(Conversation $conversation): Builder
    {
        return OwnValue::query()->where('about_id', $conversation->id)
            ->whereIn('own_field_id', OwnField::query()->where('about', About::Conversation)->select('id'));
    }
}
