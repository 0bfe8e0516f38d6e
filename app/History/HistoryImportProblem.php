<?php

declare(strict_types=1);

namespace App\History;

use Illuminate\Database\Eloquent\Model;

/**
 * Something of an import that was not taken, where it stands, and why.
 *
 * @property int $id
 * @property int $history_import_id
 * @property string $place
 * @property string $reason
 * @property string $excerpt
 */
final class HistoryImportProblem extends Model
{
    public $timestamps = false;

    protected $guarded = ['*'];
}
