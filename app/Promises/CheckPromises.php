<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conversations\Conversation;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Support\StoreSettings;
use App\Team\Role;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Compares what is stored of promises with what is reckoned from the journal, each night: everything that runs, and what has ended
 * since the last time. What differs is told to the administrators, and mended; what was stored stands in the report.
 */
final readonly class CheckPromises
{
    /** The setting in which the last report is kept. */
    public const REPORT = 'promises.checked';

    private const AT_ONCE = 500;

    private const MOST_REPORTED = 100;

    public function __construct(private KeepPromises $keep, private StoreSettings $settings, private Notify $tell) {}

    public function run(): void
    {
        $began = CarbonImmutable::now();
        $since = $this->settings->get(self::REPORT)['at'] ?? null;
        $looked = 0;
        $differences = [];
        foreach ($this->conversations($since === null ? null : CarbonImmutable::parse($since)) as $conversation) {
            $looked++;
            foreach ($this->differences($conversation) as $difference) {
                $differences[] = $difference;
            }
            if ($differences !== [] && end($differences)['conversation'] === $conversation->id) {
                DB::transaction(function () use ($conversation): void {
                    Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
                    $this->keep->anew($conversation->id, false);
                });
            }
        }
        $this->settings->put(self::REPORT, [
            'at' => $began->toIso8601ZuluString(), 'looked' => $looked, 'count' => count($differences),
            'differences' => array_slice($differences, 0, self::MOST_REPORTED),
        ]);
        if ($differences !== []) {
            $this->tell->people(
                array_values(Teammate::query()->where('role', Role::Administrator)->where('may_sign_in', true)->get()->all()),
                NewsKind::Installation, 'promises-'.$began->format('Ymd'),
                count($differences).' promises were stored otherwise than the journal says. They are mended; the list stands under '
                    .'Set up › Promises.',
                null
            );
        }
    }

    /**
     * @return list<array{conversation: int, promise: string, stored: array<string, mixed>|null, reckoned: array<string, mixed>|null}>
     */
    public function differences(Conversation $conversation): array
    {
        $reckoned = array_map(
            static fn (MeasuredPromise $one): array => $one->lasting(), $this->keep->reckoned($conversation, CarbonImmutable::now()->utc())
        );
        $stored = [];
        foreach (DB::table('promises')->where('conversation_id', $conversation->id)->get() as $row) {
            $key = "{$row->kind}|{$row->started_at}|{$row->number}";
            $stored[$key] = array_intersect_key((array) $row, $reckoned[$key] ?? ['state' => 0, 'due_at' => 0, 'ended_at' => 0]);
        }
        $differences = [];
        foreach (array_keys($stored + $reckoned) as $key) {
            if (($stored[$key] ?? null) != ($reckoned[$key] ?? null)) {
                $differences[] = [
                    'conversation' => $conversation->id, 'promise' => (string) $key, 'stored' => $stored[$key] ?? null,
                    'reckoned' => $reckoned[$key] ?? null,
                ];
            }
        }

        return $differences;
    }

    /**
     * @return iterable<Conversation>
     */
    private function conversations(?CarbonImmutable $since): iterable
    {
        $last = 0;
        do {
            $ids = DB::table('conversations')->where('id', '>', $last)
                ->where(static function ($query) use ($since): void {
                    $query->whereIn('state', Recount::RUNS_IN);
                    $since === null ?: $query->orWhere('state_changed_at', '>=', $since->subDay());
                })
                ->orderBy('id')->limit(self::AT_ONCE)->pluck('id')->all();
            foreach (Conversation::query()->whereKey($ids)->orderBy('id')->get() as $conversation) {
                yield $conversation;
            }
            $last = $ids === [] ? $last : (int) max($ids);
        } while (count($ids) === self::AT_ONCE);
    }
}
