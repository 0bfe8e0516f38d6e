<?php

declare(strict_types=1);

namespace App\Inbox;

use Illuminate\Database\Eloquent\Model;

/**
 * Why a conversation was resolved.
 *
 * @property int $id
 * @property string $name
 */
final class Outcome extends Model
{
    public $timestamps = false;

    protected $fillable = ['name', 'position'];
}
