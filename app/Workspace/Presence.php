<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\Conversation;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Who else looks at a conversation right now, and who of them writes. An open page says every second or so
 * that it is there; it is written down only when that is news.
 */
final class Presence
{
    /** After this without a word, somebody is gone. */
    private const GONE_AFTER = 12;

    private const SAID_AGAIN_AFTER = 5;

    /**
     * @return list<array{name: string, writes: bool}> the others
     */
    public function here(Conversation $conversation, Teammate $teammate, bool $writes): array
    {
        $rows = DB::table('presences')->join('teammates', 'teammates.id', '=', 'teammate_id')
            ->where('conversation_id', $conversation->id)
            ->where('seen_at', '>', now()->subSeconds(self::GONE_AFTER))
            ->orderBy('teammates.name')->get(['teammate_id', 'name', 'writes', 'seen_at']);
        $own = $rows->firstWhere('teammate_id', $teammate->id);
        if (
            $own === null || (bool) $own->writes !== $writes || $own->seen_at <= now()
                ->subSeconds(self::SAID_AGAIN_AFTER)
                ->format('Y-m-d H:i:s')
        ) {
            // Nobody waits for it: the page is shown first.
            defer(static fn () => DB::table('presences')->upsert(
                [['conversation_id' => $conversation->id, 'teammate_id' => $teammate->id, 'writes' => $writes, 'seen_at' => now()]],
                ['conversation_id', 'teammate_id'], ['writes', 'seen_at']
            ), 'presence');
        }

        return array_values(
            $rows->where('teammate_id', '!=', $teammate->id)
                ->map(static fn (object $row): array => ['name' => explode(' ', (string) $row->name)[0], 'writes' => (bool) $row->writes])
                ->all()
        );
    }

    public function left(Conversation $conversation, Teammate $teammate): void
    {
        DB::table('presences')->where('conversation_id', $conversation->id)->where('teammate_id', $teammate->id)->delete();
    }

    /**
     * Rows of those who went without a word.
     */
    public static function tidy(): void
    {
        DB::table('presences')->where('seen_at', '<', now()->subHour())->delete();
    }

    /**
     * @param  list<array{name: string, writes: bool}>  $here
     */
    public static function mark(array $here): string
    {
        return hash('crc32b', json_encode($here, JSON_THROW_ON_ERROR));
    }
}
