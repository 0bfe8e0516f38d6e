<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/**
 * Settings that administrators change on a screen, by name. Read again after a few seconds, so that
 * long-running workers follow.
 */
final class StoreSettings
{
    private const SECONDS = 5;

    /** @var array<string, mixed>|null */
    private ?array $values = null;

    private int $readAt = 0;

    public function get(string $name, mixed $default = null): mixed
    {
        if ($this->values === null || time() - $this->readAt >= self::SECONDS) {
            $this->values = DB::table('store_settings')->pluck('value', 'name')
                ->map(static fn (string $value): mixed => json_decode($value, true))->all();
            $this->readAt = time();
        }

        return $this->values[$name] ?? $default;
    }

    public function put(string $name, mixed $value): void
    {
        DB::table('store_settings')->upsert(
            [['name' => $name, 'value' => json_encode($value, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR), 'updated_at' => now()]],
            ['name'],
            ['value', 'updated_at'],
        );
        $this->values = null;
    }
}
