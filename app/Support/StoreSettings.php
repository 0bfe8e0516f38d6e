<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/**
 * Settings that administrators change on a screen, by name.
 */
final class StoreSettings
{
    /** @var ShortLivedCache<array<string, mixed>> */
    private readonly ShortLivedCache $values;

    public function __construct()
    {
        $this->values = new ShortLivedCache(static fn (): array => DB::table('store_settings')->pluck('value', 'name')
            ->map(static fn (string $value): mixed => json_decode($value, true))->all());
    }

    public function get(string $name, mixed $default = null): mixed
    {
        return $this->values->get()[$name] ?? $default;
    }

    public function put(string $name, mixed $value): void
    {
        DB::table('store_settings')->upsert(
            [['name' => $name, 'value' => json_encode($value, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR), 'updated_at' => now()]],
            ['name'],
            ['value', 'updated_at'],
        );
        $this->values->forget();
    }
}
