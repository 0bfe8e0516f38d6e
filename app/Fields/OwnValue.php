<?php

declare(strict_types=1);

namespace App\Fields;

use App\Support\Row;

/**
 * What is written in one field of one conversation, customer or order; several rows where several are chosen.
 *
 * @property int $id
 * @property int $own_field_id
 * @property int $about_id
 * @property int $position
 * @property string|null $text
 * @property string|null $folded
 * @property string|null $number
 */
final class OwnValue extends Row
{
    protected $table = 'own_values';

    public $timestamps = false;

    protected $guarded = ['*'];
}
