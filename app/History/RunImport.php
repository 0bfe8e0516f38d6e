<?php

declare(strict_types=1);

namespace App\History;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Str;
use Throwable;

/**
 * Takes a file of history over, a slice at a time, so that other work gets its turn. The place is
 * remembered after each item: stopped or killed at any moment, it goes on there.
 */
final class RunImport implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    private const SLICE_SECONDS = 5;

    private const LEASE_SECONDS = 120;

    public int $tries = 1;

    public int $timeout = 300;

    public function __construct(public readonly int $importId)
    {
        $this->onQueue('default');
    }

    public function handle(StoreHistory $store): void
    {
        if ($this->slice($store, self::SLICE_SECONDS)) {
            self::dispatch($this->importId);
        }
    }

    /**
     * @param  int  $seconds  0 for all of it
     * @return bool whether there is more to do
     */
    public function slice(StoreHistory $store, int $seconds): bool
    {
        $import = $this->lease();
        if ($import === null) {
            return false;
        }
        $until = hrtime(true) + $seconds * 1_000_000_000;
        try {
            foreach (HistoryReaders::for($import->format, $import->file)->from($import->position) as $item) {
                $this->take($store, $import, $item);
                if ($seconds > 0 && hrtime(true) >= $until) {
                    $import->forceFill(['lease_until' => null])->save();

                    return true;
                }
                if ($import->refresh()->state !== HistoryImport::RUNNING) {
                    $import->forceFill(['lease_until' => null])->save();

                    return false;
                }
            }
        } catch (HistoryRefused $why) {
            $import->forceFill([
                'state' => HistoryImport::FAILED, 'problem' => Str::limit($why->getMessage(), 990), 'lease_until' => null,
            ])->save();

            return false;
        } catch (Throwable $fault) {
            report($fault);
            $import->forceFill([
                'state' => HistoryImport::STOPPED,
                'problem' => Str::limit("It stopped: {$fault->getMessage()} It can go on from there.", 990), 'lease_until' => null,
            ])->save();

            return false;
        }
        $import->forceFill(['state' => HistoryImport::DONE, 'finished_at' => now(), 'problem' => null, 'lease_until' => null])->save();
        // It may hold numbers that were taken out of what was stored.
        if (str_starts_with($import->file, HistoryUploads::folder())) {
            @unlink($import->file);
        }

        return false;
    }

    private function take(StoreHistory $store, HistoryImport $import, HistoryItem $item): void
    {
        try {
            [$new, $again] = $store->store($import, $item);
            $import->forceFill(['taken' => $import->taken + $new, 'again' => $import->again + $again]);
        } catch (HistoryRefused $why) {
            HistoryImportProblem::query()->insertOrIgnore([
                'history_import_id' => $import->id,
                'place' => mb_substr($item->place, 0, 255),
                'reason' => mb_substr($why->getMessage(), 0, 1000),
                'excerpt' => '',
            ]);
            $import->forceFill(['refused' => $import->refused + 1]);
        }
        $import->forceFill(['position' => $item->next, 'lease_until' => now()->addSeconds(self::LEASE_SECONDS)])->save();
    }

    /**
     * One worker at a time; one that dies lets go when the lease runs out.
     */
    private function lease(): ?HistoryImport
    {
        $leased = HistoryImport::query()
            ->whereKey($this->importId)
            ->where('state', HistoryImport::RUNNING)
            ->where(fn ($query) => $query->whereNull('lease_until')->orWhere('lease_until', '<', now()))
            ->update(['lease_until' => now()->addSeconds(self::LEASE_SECONDS)]);

        return $leased === 1 ? HistoryImport::query()->with('account')->find($this->importId) : null;
    }
}
