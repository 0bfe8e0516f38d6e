<?php

declare(strict_types=1);

namespace App\Answering;

use App\Conversations\Conversation;
use App\Support\Row;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/**
 * What a person has begun to write in a conversation and not sent yet.
 *
 * @property int $id
 * @property int $conversation_id
 * @property string $kind
 * @property string $text
 * @property list<array{name: string, type: string, size: int, sha256: string, file: string}> $files
 * @property array{cc?: string, bcc?: string, own_name?: bool, html?: string, subject?: string|null, then?: string,
 *   outcome?: string, route?: string, when?: string, at?: string, days?: string, steps?: list<array{do: string, value: string}>,
 *   steps_left_out?: list<string>, templates?: list<array{template: int, language: string, text: string}>}|null $details what was
 *   chosen beside the text
 * @property CarbonImmutable $updated_at
 */
final class Draft extends Row
{
    protected $table = 'drafts';

    public const REPLY = 'reply';

    public const PARTNER = 'partner';

    public const NOTE = 'note';

    protected $guarded = ['*'];

    /**
     * @return Builder<self>
     */
    public static function for(Conversation $conversation, Teammate $teammate, string $kind): Builder
    {
        return self::query()
            ->where('conversation_id', $conversation->id)
            ->where('teammate_id', $teammate->id)
            ->where('kind', $kind);
    }

    /**
     * The draft, locked, begun where there is none. To be called in a transaction.
     *
     * Sending keeps the draft as well as writing does: where both begin it in one moment, the second waits for the
     * first and goes on with its row.
     */
    public static function locked(Conversation $conversation, Teammate $teammate, string $kind): self
    {
        $kept = self::for($conversation, $teammate, $kind)->lockForUpdate()->first();
        if ($kept !== null) {
            return $kept;
        }
        $new = ['conversation_id' => $conversation->id, 'teammate_id' => $teammate->id, 'kind' => $kind, 'text' => '', 'files' => '[]'];
        self::query()->insertOrIgnore([...$new, 'created_at' => now(), 'updated_at' => now()]);

        return self::for($conversation, $teammate, $kind)->lockForUpdate()->firstOrFail();
    }

    protected function casts(): array
    {
        return ['files' => 'array', 'details' => 'array', 'updated_at' => 'immutable_datetime'];
    }
}
