<?php

declare(strict_types=1);

namespace App\History;

use App\Channels\Account;
use App\Team\Teammate;

/**
 * Begins to take a file of history over.
 */
final class StartImport
{
    /**
     * @param  HistoryFormat|null  $format  by its name where it is not given
     *
     * @throws HistoryRefused when the file is no such file
     */
    public function start(string $path, string $name, ?HistoryFormat $format, Account $account, ?Teammate $teammate): HistoryImport
    {
        $format ??= is_dir($path) ? HistoryFormat::Eml : HistoryFormat::ofName($name) ?? throw HistoryRefused::unknownFormat($name);
        $import = new HistoryImport;
        $import->forceFill([
            'teammate_id' => $teammate?->id,
            'account_id' => $account->id,
            'format' => $format,
            'name' => mb_substr($name, 0, 255),
            'file' => $path,
            'state' => HistoryImport::RUNNING,
            'size' => HistoryReaders::for($format, $path)->size(),
        ])->save();

        return $import;
    }
}
