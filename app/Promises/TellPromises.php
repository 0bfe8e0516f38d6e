<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Promises\Happened\PromiseMissed;
use App\Promises\Happened\PromiseWarned;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Writes down that a promise is about to be missed, or was: once, at its moment or as soon as anybody looks after it. Rules and news
 * follow the journal. Reads by index only what is due, whatever is open.
 */
final readonly class TellPromises
{
    private const AT_ONCE = 500;

    public function __construct(private Journal $journal) {}

    /**
     * @return int how many were told
     */
    public function tell(): int
    {
        $told = 0;
        foreach (['promises', 'agreed_times'] as $table) {
            // What is missed already needs no warning.
            foreach (['miss_next', 'warn_next'] as $column) {
                do {
                    $due = DB::table($table)->whereNotNull($column)->where($column, '<=', now())->orderBy($column)->limit(self::AT_ONCE)
                        ->get(['id', 'conversation_id']);
                    foreach ($due as $one) {
                        $told += $this->tellOne($table, $column, (int) $one->id, (int) $one->conversation_id) ? 1 : 0;
                    }
                } while ($due->count() === self::AT_ONCE);
            }
        }

        return $told;
    }

    /**
     * Two at once tell it once: whoever comes second finds nothing left to tell.
     */
    private function tellOne(string $table, string $column, int $id, int $conversationId): bool
    {
        return DB::transaction(function () use ($table, $column, $id, $conversationId): bool {
            // The conversation first, as whoever changes it does.
            $conversation = Conversation::query()->lockForUpdate()->findOrFail($conversationId);
            $row = DB::table($table)->where('id', $id)->whereNotNull($column)->where($column, '<=', now())->lockForUpdate()->first();
            if ($row === null) {
                return false;
            }
            $isMissed = $column === 'miss_next';
            $isPromise = $table === 'promises';
            DB::table($table)->where('id', $id)->update([
                'warn_next' => null, ...($isMissed ? ['miss_next' => null] : []),
                ...($isPromise ? [$isMissed ? 'missed_at' : 'warned_at' => now()] : []),
            ]);
            $goesOnIn = $conversation->joined_into_id;
            $root = $goesOnIn === null ? $conversation : Conversation::query()->findOrFail($goesOnIn);
            $this->journal->record($root, $this->what($row, $isPromise, $isMissed), Actor::application());

            return true;
        });
    }

    private function what(\stdClass $row, bool $isPromise, bool $isMissed): Payload
    {
        $kind = $isPromise ? PromisedKind::from($row->kind) : PromisedKind::Agreed;
        $dueAt = CarbonImmutable::parse((string) ($isPromise ? $row->due_at : $row->at), 'UTC');
        $set = $isPromise && $row->promise_set_id !== null
            ? new Named((int) $row->promise_set_id, (string) DB::table('promise_sets')->where('id', $row->promise_set_id)->value('name'))
            : null;

        return $isMissed ? new PromiseMissed($kind, $dueAt, $set) : new PromiseWarned($kind, $dueAt, $set);
    }
}
