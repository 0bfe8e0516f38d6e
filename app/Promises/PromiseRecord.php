<?php

declare(strict_types=1);

namespace App\Promises;

use App\Channels\Channel;
use App\Sorting\WhoMayRead;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * How the promises of one set were kept, from what is stored of them: counted where they began in the period.
 */
final readonly class PromiseRecord
{
    /** What is counted, as a condition on the row. Kept and missed are over, but for what runs past its time. */
    private const COUNTED = [
        'all' => "promises.state != 'dropped'",
        'kept' => 'promises.kept = 1',
        'missed' => "(promises.kept = 0 AND promises.state = 'done') OR (promises.state = 'running' AND promises.due_at < ?) "
            ."OR (promises.state = 'paused' AND promises.spent > promises.target)",
        'warned' => "promises.warned_at IS NOT NULL AND promises.state != 'dropped'",
        'running' => "(promises.state = 'running' AND (promises.due_at >= ? OR promises.due_at IS NULL)) "
            ."OR (promises.state = 'paused' AND promises.spent <= promises.target)",
        'dropped' => "promises.state = 'dropped'",
    ];

    public const BY = ['kind', 'week', 'category', 'channel', 'team', 'person', 'company'];

    public function __construct(
        private PromiseSet $set, private CarbonImmutable $from, private CarbonImmutable $to, private string $zone
    ) {}

    /**
     * @return list<string>
     */
    public static function counted(): array
    {
        return array_keys(self::COUNTED);
    }

    /**
     * @param  string  $by  one of BY
     * @return list<PromiseRecordLine>
     */
    public function by(string $by): array
    {
        $selects = ["{$this->column($by)} AS value"];
        $bindings = [];
        foreach (self::COUNTED as $name => $sql) {
            $selects[] = "SUM(CASE WHEN {$sql} THEN 1 ELSE 0 END) AS `{$name}`";
            str_contains($sql, '?') && $bindings[] = now()->format('Y-m-d H:i:s');
        }
        $rows = $this->rows($by)->selectRaw(implode(', ', $selects), $bindings)->groupBy('value')->get();
        $times = $this->times($by);
        $labels = $this->labels($by, array_values($rows->pluck('value')->all()));
        $lines = array_map(static fn (stdClass $row): PromiseRecordLine => new PromiseRecordLine(
            (string) $row->value, $labels[(string) $row->value] ?? (string) $row->value, (int) $row->all, (int) $row->kept,
            (int) $row->missed, (int) $row->warned, (int) $row->running, (int) $row->dropped, $times[(string) $row->value][0] ?? null,
            $times[(string) $row->value][1] ?? null
        ), $rows->all());
        usort($lines, static fn (PromiseRecordLine $one, PromiseRecordLine $other): int => $by === 'week'
            ? $one->value <=> $other->value
            : [$other->all, $one->label] <=> [$one->all, $other->label]);

        return $lines;
    }

    /**
     * The promises behind a number.
     *
     * @param  string  $counted  one of `counted()`
     */
    public function behind(string $counted, string $by, string $value): Builder
    {
        $sql = self::COUNTED[$counted];

        return $this->rows($by)
            ->whereRaw("({$sql})", str_contains($sql, '?') ? [now()->format('Y-m-d H:i:s')] : [])
            ->whereRaw("COALESCE({$this->column($by)}, '') = ?", [$value])
            ->select('promises.*')->orderByDesc('promises.started_at')->orderByDesc('promises.id');
    }

    /**
     * The median and the 90th percentile of the time taken, by nearest rank, of what was answered.
     *
     * @return array<string, array{int, int}> seconds
     */
    private function times(string $by): array
    {
        $ranked = $this->rows($by)->where('promises.state', 'done')->selectRaw(
            "{$this->column($by)} AS value, spent, ROW_NUMBER() OVER (PARTITION BY {$this->column($by)} ORDER BY spent) AS place, "
            ."COUNT(*) OVER (PARTITION BY {$this->column($by)}) AS count"
        );
        $times = [];
        $chosen = DB::query()->fromSub($ranked, 'ranked')->whereRaw('place IN (CEIL(count * 0.5), CEIL(count * 0.9))');
        foreach ($chosen->orderBy('place')->get() as $row) {
            $times[(string) $row->value] = [$times[(string) $row->value][0] ?? (int) $row->spent, (int) $row->spent];
        }

        return $times;
    }

    private function rows(string $by): Builder
    {
        return app(WhoMayRead::class)->narrow(DB::table('promises')
            ->join('conversations', 'conversations.id', '=', 'promises.conversation_id')
            ->when($by === 'company', static fn (Builder $rows) => $rows->join(
                'customers', 'customers.id', '=', 'conversations.customer_id'
            ))
            ->where('promises.promise_set_id', $this->set->id)
            ->where('promises.started_at', '>=', $this->from->utc())
            ->where('promises.started_at', '<', $this->to->utc()));
    }

    /**
     * Where it lay when it ended; while it runs, where it lies.
     */
    private function column(string $by): string
    {
        return match ($by) {
            'week' => $this->weeks(),
            'category' => 'conversations.category_id',
            'channel' => 'conversations.channel',
            'team' => 'CASE WHEN promises.ended_at IS NULL THEN conversations.team_id ELSE promises.team_id END',
            'person' => 'CASE WHEN promises.ended_at IS NULL THEN conversations.owner_id ELSE promises.owner_id END',
            'company' => 'customers.company_id',
            default => 'promises.kind',
        };
    }

    /**
     * The Monday that a week begins with, in the store's zone. MariaDB knows no zones of its own here, so each week is told by its
     * instants.
     */
    private function weeks(): string
    {
        $cases = '';
        for ($monday = $this->from->setTimezone($this->zone)->startOfWeek(); $monday < $this->to; $monday = $monday->addWeek()) {
            $end = $monday->addWeek()->utc()->format('Y-m-d H:i:s');
            $cases .= "WHEN promises.started_at < '{$end}' THEN '{$monday->format('Y-m-d')}' ";
        }

        return "CASE {$cases} END";
    }

    /**
     * @param  list<mixed>  $values
     * @return array<string, string>
     */
    private function labels(string $by, array $values): array
    {
        $names = match ($by) {
            'kind' => array_map(
                static fn (mixed $value): string => ucfirst(PromisedKind::from((string) $value)->label()),
                array_combine($values, $values)
            ),
            'channel' => array_map(
                static fn (mixed $value): string => Channel::from((string) $value)->label(), array_combine($values, $values)
            ),
            'week' => array_map(
                static fn (mixed $value): string => CarbonImmutable::parse((string) $value)->format('j M'), array_combine($values, $values)
            ),
            'category' => DB::table('categories')->whereIn('id', $values)->pluck('name', 'id')->all(),
            'company' => DB::table('companies')->whereIn('id', $values)->pluck('name', 'id')->all(),
            'team' => DB::table('teams')->whereIn('id', $values)->pluck('name', 'id')->all(),
            default => DB::table('teammates')->whereIn('id', $values)->pluck('name', 'id')->all(),
        };

        $none = ['category' => 'no category', 'team' => 'no team', 'person' => 'nobody', 'company' => 'no company'];

        return ['' => $none[$by] ?? ''] + $names;
    }
}
