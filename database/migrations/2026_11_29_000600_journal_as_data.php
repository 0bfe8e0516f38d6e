<?php

declare(strict_types=1);

use App\Support\Languages;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/*
 * Entries of the journal hold data, with ids beside the names, instead of texts; and what brought them about. Those that were
 * written before get the ids of what still has that name.
 */
return new class extends Migration
{
    private const AT_ONCE = 1000;

    /** Entries of one transaction had numbers close to each other. */
    private const BESIDE = 20;

    /** @var array<string, array<string, int>> ids by name, by table */
    private array $ids = [];

    public function up(): void
    {
        Schema::table('journal', static function (Blueprint $table): void {
            $table->json('cause')->nullable()->after('details');
            $table->index(['kind', 'at']);
        });
        DB::unprepared('DROP TRIGGER journal_is_never_edited');
        DB::table('journal')->orderBy('id')->chunkById(self::AT_ONCE, function (iterable $entries): void {
            foreach ($entries as $entry) {
                $old = (array) json_decode((string) $entry->details, true);
                $new = array_filter(
                    $this->converted($entry, $old), static fn (mixed $one): bool => $one !== null
                        && $one !== ''
                        && $one !== []
                        && $one !== false
                );
                DB::table('journal')->where('id', $entry->id)->update([
                    'details' => json_encode($new === [] ? new stdClass : $new, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
                    'cause' => isset($old['rule']) ? json_encode([
                        'kind' => 'rule', 'id' => (int) ($old['rule_id'] ?? 0), 'name' => $old['rule'],
                        'depth' => (int) ($old['depth'] ?? 1),
                    ], JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR) : null,
                ]);
            }
        });
        DB::unprepared("CREATE TRIGGER journal_is_never_edited BEFORE UPDATE ON journal FOR EACH ROW
            SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'The journal is never edited.'");
    }

    public function down(): void
    {
        // What was written as data is read as data only.
        throw new RuntimeException('The journal cannot go back to texts: restore the backup from before.');
    }

    /**
     * @param  array<string, mixed>  $old
     * @return array<string, mixed>
     */
    private function converted(stdClass $entry, array $old): array
    {
        $text = static fn (string $key): string => (string) ($old[$key] ?? '');
        $addresses = static fn (string $key): array => $text($key) === '' ? [] : explode(', ', $text($key));

        return match ($entry->kind) {
            'began' => ['linked' => $this->conversation($text('linked'))],
            'message_received' => [
                'channel' => $old['channel'] ?? DB::table('conversations')->where('id', $entry->conversation_id)->value('channel'),
                'account' => $text('to'), 'isFirst' => $this->isFirst($entry), 'before' => $this->stateBefore($entry),
            ],
            'state_changed' => ['from' => $old['from'] ?? 'open', 'to' => $text('to'), 'until' => $old['until'] ?? null],
            'owner_changed' => [
                'from' => $this->named('teammates', $text('from')),
                'to' => $this->named('teammates', $text('to'), isset($old['owner']) ? (int) $old['owner'] : null),
            ],
            'team_changed' => ['from' => $this->named('teams', $text('from')), 'to' => $this->named('teams', $text('to'))],
            'category_changed' => $this->fromTo('categories', $old),
            'priority_changed' => ['from' => $old['from'] ?? 'normal', 'to' => $old['to'] ?? 'normal'],
            'tags_changed' => ['given' => $this->tags($addresses('given')), 'taken' => $this->tags($addresses('taken'))],
            'language_changed' => [
                'from' => $old['from'] ?? null, 'to' => array_search($text('to'), Languages::all(), true) ?: $text('to'),
            ],
            'field_changed' => [
                'field' => $this->named('own_fields', $text('field')) ?? ['name' => ''],
                'from' => $old['from'] ?? null,
                'to' => $old['to'] ?? null,
            ],
            'scheduled' => ['at' => $old['at'] ?? $entry->at, 'unlessAnswered' => isset($old['unless_answered'])],
            'schedule_called_off' => ['author' => $this->person((int) ($old['author'] ?? 0))],
            'forwarded', 'called_back', 'delivery_failed', 'copies_changed' => ['to' => $addresses('to')],
            'replied', 'receipt_sent' => ['to' => $text('to')],
            'partner_asked', 'partner_answered' => ['partner' => ['name' => $text('partner')]],
            'checklist_started' => ['checklist' => $this->named('checklists', $text('name')) ?? ['name' => '']],
            'checklist_ticked' => ['checklist' => ['name' => ''], 'step' => $text('step'), 'isTakenBack' => isset($old['undone'])],
            'task_made' => [
                'task' => ['name' => $text('task')], 'assignee' => $this->named('teammates', $text('for')) ?? ['name' => ''],
                'due' => $old['due'] ?? $entry->at,
            ],
            'task_done' => ['task' => ['name' => $text('task')], 'isTakenBack' => isset($old['undone'])],
            'comes_back' => ['until' => $old['until'] ?? $entry->at],
            'bulk_undone' => ['change' => ['name' => $text('what')]],
            'order_attached' => ['order' => $this->order($entry, $text('order')), 'foundBy' => ''],
            'order_detached' => ['order' => $this->order($entry, $text('order'))],
            'order_changed' => [
                'order' => $this->order($entry, $text('order')), 'from' => $old['from'] ?? null, 'to' => $old['to'] ?? null,
                'refunded' => isset($old['refunded']) ? (int) preg_replace('/\D/', '', $text('refunded')) : null,
                'currency' => $this->currency($text('order')),
            ],
            'parcel_seen' => [
                'order' => $this->order($entry, $text('order')), 'parcel' => $this->named('parcels', $text('parcel')) ?? ['name' => ''],
                'stage' => $old['stage'] ?? 'announced', 'place' => $text('place'),
            ],
            'joined', 'split_off', 'separated' => ['other' => $this->conversation($text('other'))],
            'liked', 'reposted' => ['isTakenBack' => isset($old['undone'])],
            'customer_merged' => $this->merged($text('names')),
            'imported' => ['import' => $this->named('history_imports', (string) $entry->why) ?? ['name' => '']],
            'nudge_started' => [
                'plan' => $this->named('nudge_plans', $text('plan')) ?? ['name' => ''], 'next' => $old['next'] ?? $entry->at,
            ],
            'nudge_called_off' => ['plan' => $this->named('nudge_plans', $text('plan')) ?? ['name' => '']],
            'rated' => ['score' => (int) ($old['score'] ?? 0), 'comment' => $text('comment')],
            'approval_asked' => ['of' => $this->named('teammates', $text('of')), 'approval' => $this->approval($entry, $text('question'))],
            'approval_answered' => ['approval' => $this->approval($entry, $text('question')), 'answer' => $old['answer'] ?? 'withdrawn'],
            'rule_ran', 'rule_failed' => ['rule' => ['id' => (int) ($old['rule_id'] ?? 0), 'name' => $text('rule')]],
            default => [],
        };
    }

    /**
     * @param  array<string, mixed>  $old
     * @return array<string, mixed>
     */
    private function fromTo(string $table, array $old): array
    {
        return [
            'from' => $this->named($table, (string) ($old['from'] ?? '')), 'to' => $this->named($table, (string) ($old['to'] ?? '')),
        ];
    }

    /**
     * @return array{id?: int, name: string}|null
     */
    private function named(string $table, string $name, ?int $id = null): ?array
    {
        if ($name === '') {
            return null;
        }
        $column = ['categories' => 'path', 'parcels' => 'number'][$table] ?? 'name';
        $this->ids[$table] ??= $table === 'parcels' ? [] : DB::table($table)->pluck('id', $column)->all();
        $id ??= $table === 'parcels' ? DB::table($table)->where($column, $name)->value('id') : $this->ids[$table][$name] ?? null;

        return $id === null ? ['name' => $name] : ['id' => (int) $id, 'name' => $name];
    }

    /**
     * @param  list<string>  $names
     * @return list<array{id?: int, name: string}>
     */
    private function tags(array $names): array
    {
        return array_values(array_filter(array_map(fn (string $name): ?array => $this->named('tags', $name), $names)));
    }

    /**
     * @return array{id?: int, name: string}|null
     */
    private function conversation(string $number): ?array
    {
        $id = (int) preg_replace('/\D/', '', $number);

        return $number === '' ? null : ['id' => $id, 'name' => $number];
    }

    /**
     * @return array{id: int, name: string}
     */
    private function person(int $id): array
    {
        return ['id' => $id, 'name' => (string) DB::table('teammates')->where('id', $id)->value('name')];
    }

    /**
     * @return array{id?: int, name: string}
     */
    private function order(stdClass $entry, string $number): array
    {
        $id = DB::table('orders')->where('number', $number)->orderByDesc('id')->value('id');

        return $id === null ? ['name' => $number] : ['id' => (int) $id, 'name' => $number];
    }

    private function currency(string $order): string
    {
        return (string) (DB::table('orders')->where('number', $order)->orderByDesc('id')->value('currency') ?? 'EUR');
    }

    /**
     * @return array{kept: array{name: string}, merged: array{name: string}}
     */
    private function merged(string $names): array
    {
        [$merged, $kept] = [...explode(' is ', $names, 2), ''];

        return ['kept' => ['name' => $kept], 'merged' => ['name' => $merged]];
    }

    /**
     * @return array{id?: int, name: string}
     */
    private function approval(stdClass $entry, string $question): array
    {
        $id = DB::table('approvals')->where('conversation_id', $entry->conversation_id)->where('question', $question)->value('id');

        return $id === null ? ['name' => $question] : ['id' => (int) $id, 'name' => $question];
    }

    private function isFirst(stdClass $entry): bool
    {
        return $entry->message_id !== null && (int) $entry->message_id === (int) DB::table('messages')
            ->where('conversation_id', $entry->conversation_id)
            ->min('id');
    }

    private function stateBefore(stdClass $entry): ?string
    {
        $change = DB::table('journal')
            ->where('conversation_id', $entry->conversation_id)
            ->where('kind', 'state_changed')
            ->where('why', 'the customer wrote')
            ->whereBetween('id', [$entry->id - self::BESIDE, $entry->id + self::BESIDE])
            ->value('details');

        return $change === null ? null : (json_decode((string) $change, true)['from'] ?? null);
    }
};
