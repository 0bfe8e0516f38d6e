<?php

declare(strict_types=1);

namespace App\Support;

use BackedEnum;
use DateTimeInterface;
use Illuminate\Support\Facades\DB;

/**
 * Stores a new row of a model as it is, without what Eloquent does around each attribute. For what
 * arrives by the thousand; no events are fired. The values are those that the model would give back.
 */
trait StoresRows
{
    /** @var array<string, string> the statement, by its columns */
    private static array $insert = [];

    /**
     * @param  array<string, mixed>  $values  by column; the names are ours, never from outside
     */
    public static function store(array $values): self
    {
        $model = new self;
        $times = $model->usesTimestamps() ? array_fill_keys(['created_at', 'updated_at'], now()) : [];
        $row = array_map(static fn (mixed $value): mixed => match (true) {
            $value instanceof BackedEnum => $value->value,
            $value instanceof DateTimeInterface => $value->format('Y-m-d H:i:s'),
            is_array($value) => json_encode($value, JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR),
            is_bool($value) => (int) $value,
            default => $value,
        }, [...$model->getAttributes(), ...$values, ...$times]);
        $columns = implode('`,`', array_keys($row));
        $sql = self::$insert[$columns] ??= "insert into `{$model->getTable()}` (`{$columns}`) values (".implode(
            ',', array_fill(0, count($row), '?')
        ).')';
        DB::insert($sql, array_values($row));
        $id = (int) DB::connection()->getPdo()->lastInsertId();
        $model->setRawAttributes(['id' => $id, ...$row], true);
        $model->exists = true;
        $model->wasRecentlyCreated = true;

        return $model;
    }
}
