<?php

declare(strict_types=1);

namespace App\History;

use App\Support\Row;

/**
 * Something of an import that was not taken, where it stands, and why.
 *
 * @property int $id
 * @property int $history_import_id
 * @property string $place
 * @property string $reason
 * @property string $excerpt
 */
final class HistoryImportProblem extends Row
{
    protected $table = 'history_import_problems';

    public $timestamps = false;

    protected $guarded = ['*'];
}
