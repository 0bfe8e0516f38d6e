<?php

declare(strict_types=1);

namespace App\Store;

use App\Support\StoreSettings;
use App\Team\Role;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * The one-time link by which an installation without people begins: whoever has it makes the first administrator. Of its key only a
 * hash is stored.
 */
final readonly class BeginLink
{
    private const SETTING = 'begin_link';

    private const DAYS = 7;

    public function __construct(private StoreSettings $settings) {}

    /**
     * Whether nobody can administer this installation yet.
     */
    public static function isNeeded(): bool
    {
        return ! Teammate::query()
            ->where('role', Role::Administrator)
            ->where('may_sign_in', true)
            ->whereNotNull('password_chosen_at')
            ->exists();
    }

    /**
     * The one before is of no use any more.
     *
     * @return string the address
     */
    public function make(): string
    {
        $key = rtrim(strtr(base64_encode(random_bytes(24)), '+/', '-_'), '=');
        $this->settings->put(self::SETTING, [
            'hash' => hash('sha256', $key), 'until' => now()->addDays(self::DAYS)->getTimestamp(),
        ]);

        return url("/begin/{$key}");
    }

    public function isOpen(string $key): bool
    {
        return self::fits($key, $this->settings->get(self::SETTING)) && self::isNeeded();
    }

    /**
     * In a transaction, and the transaction's others wait: of two who use it at once the second finds it used.
     */
    public function use(string $key): bool
    {
        $stored = DB::table('store_settings')->where('name', self::SETTING)->lockForUpdate()->value('value');
        if (! is_string($stored) || ! self::fits($key, json_decode($stored, true)) || ! self::isNeeded()) {
            return false;
        }
        DB::table('store_settings')->where('name', self::SETTING)->delete();

        return true;
    }

    private static function fits(string $key, mixed $stored): bool
    {
        return is_array($stored) && is_string($stored['hash'] ?? null) && hash_equals($stored['hash'], hash('sha256', $key))
            && (int) ($stored['until'] ?? 0) > now()->getTimestamp();
    }
}
