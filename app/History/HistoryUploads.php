<?php

declare(strict_types=1);

namespace App\History;

/**
 * Where uploaded files wait while they are taken over.
 */
final class HistoryUploads
{
    public static function folder(): string
    {
        $folder = storage_path('imports');
        if (! is_dir($folder)) {
            mkdir($folder, 0700, true);
        }

        return $folder.'/';
    }
}
