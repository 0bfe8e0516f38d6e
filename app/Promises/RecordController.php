<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conversations\Conversation;
use App\Store\Store;
use App\Support\SpreadsheetCell;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * How the promises of a set were kept: drawn, as a table, with the list behind each number, and as CSV.
 */
final readonly class RecordController
{
    private const WEEKS = [4, 12, 26, 52];

    private const ROWS = 100;

    public function show(Request $request, PromiseSet $set): View
    {
        [$weeks, $by] = $this->asked($request);
        $record = $this->record($set, $weeks);

        return view('promises.record', [
            'set' => $set, 'weeks' => $weeks, 'choices' => self::WEEKS, 'by' => $by, 'lines' => $record->by($by),
            'kinds' => $record->by('kind'), 'columns' => array_slice($record->by('week'), -16),
        ]);
    }

    public function behind(Request $request, PromiseSet $set): View
    {
        [$weeks, $by] = $this->asked($request);
        $given = $request->validate([
            'counted' => ['required', Rule::in(PromiseRecord::counted())], 'value' => ['nullable', 'string', 'max:40'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
        ]);
        $page = (int) ($given['page'] ?? 1);
        $value = (string) ($given['value'] ?? '');
        $rows = $this->record($set, $weeks)->behind($given['counted'], $by, $value)
            ->offset(($page - 1) * self::ROWS)->limit(self::ROWS + 1)->get();
        $promises = Promise::query()->hydrate($rows->take(self::ROWS)->all());
        $conversations = Conversation::query()->whereKey($promises->pluck('conversation_id'))->with(['customer', 'owner'])->get();

        return view('promises.behind', [
            'set' => $set, 'weeks' => $weeks, 'by' => $by, 'counted' => $given['counted'], 'value' => $value, 'page' => $page,
            'hasMore' => $rows->count() > self::ROWS, 'promises' => $promises,
            'conversations' => $conversations->keyBy('id'),
        ]);
    }

    public function csv(Request $request, PromiseSet $set): StreamedResponse
    {
        [$weeks, $by] = $this->asked($request);
        $lines = $this->record($set, $weeks)->by($by);

        return response()->streamDownload(static function () use ($lines, $by): void {
            $out = fopen('php://output', 'w');
            if ($out !== false) {
                fputcsv($out, [
                    $by, 'promised', 'kept', 'missed', 'warned', 'running', 'dropped', 'median_seconds', 'p90_seconds',
                ], escape: '');
                foreach ($lines as $line) {
                    fputcsv($out, [
                        SpreadsheetCell::write($by === 'week' ? $line->value : $line->label), $line->all, $line->kept, $line->missed,
                        $line->warned, $line->running, $line->dropped, $line->median, $line->ninetieth,
                    ], escape: '');
                }
                fclose($out);
            }
        }, "promises-{$set->id}-by-{$by}.csv", ['Content-Type' => 'text/csv; charset=UTF-8']);
    }

    private function record(PromiseSet $set, int $weeks): PromiseRecord
    {
        $zone = Store::current()->timeZone;
        $end = CarbonImmutable::now()->setTimezone($zone)->startOfWeek()->addWeek();

        return new PromiseRecord($set, $end->subWeeks($weeks), $end, $zone);
    }

    /**
     * @return array{int, string}
     */
    private function asked(Request $request): array
    {
        $given = $request->validate([
            'weeks' => ['nullable', 'integer', Rule::in(self::WEEKS)], 'by' => ['nullable', Rule::in(PromiseRecord::BY)],
        ]);

        return [(int) ($given['weeks'] ?? 12), (string) ($given['by'] ?? 'kind')];
    }
}
