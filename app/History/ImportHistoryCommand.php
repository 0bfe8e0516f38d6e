<?php

declare(strict_types=1);

namespace App\History;

use App\Channels\Account;
use Illuminate\Console\Command;

final class ImportHistoryCommand extends Command
{
    protected $signature = 'history:import
        {path : an .mbox, .csv, .jsonl or .zip file, or a folder of .eml files}
        {--account= : the address or account name it belongs to}
        {--format= : mbox, eml, csv or jsonl, where the name does not tell}';

    protected $description = 'Takes over earlier conversations. Run again it goes on where it stopped, and takes nothing twice.';

    public function handle(StartImport $start, StoreHistory $store): int
    {
        $path = realpath((string) $this->argument('path'));
        $account = Account::query()->where('address', (string) $this->option('account'))->first();
        if ($path === false || $account === null) {
            $this->error(
                $path === false
                    ? 'There is no such file or folder.'
                    : 'Say with --account= which connected account it belongs to, such as care@brindle.example.'
            );

            return self::INVALID;
        }
        try {
            $import = HistoryImport::query()
                ->where('file', $path)
                ->where('account_id', $account->id)
                ->whereIn('state', [HistoryImport::RUNNING, HistoryImport::STOPPED])
                ->first()
                ?? $start->start($path, basename($path), HistoryFormat::tryFrom((string) $this->option('format')), $account, null);
        } catch (HistoryRefused $why) {
            $this->error($why->getMessage());

            return self::FAILURE;
        }
        $import->forceFill(['state' => HistoryImport::RUNNING])->save();
        (new RunImport($import->id))->slice($store, 0);
        $import->refresh();
        $this->line("{$import->taken} messages taken, {$import->again} were here before, {$import->refused} not taken.");
        foreach ($import->problems()->orderBy('id')->limit(20)->get() as $problem) {
            $this->warn("{$problem->place}: {$problem->reason}");
        }
        if ($import->state !== HistoryImport::DONE) {
            $this->error((string) $import->problem);

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
