<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Store\Store;
use App\Support\StoreSettings;
use App\Team\Role;
use App\Team\Teammate;
use Cairnfield\Core\SignIn\Base32;
use Cairnfield\Core\SignIn\TimeBasedCode;
use Illuminate\Support\Facades\DB;

/**
 * Beside the password, a code from a device that somebody has with them; and codes on paper for the day on which it is lost.
 */
final readonly class SecondFactor
{
    private const REQUIRED_OF = 'second_factor_required_of';

    private const SECRET_BYTES = 20;

    private const RECOVERY_CODES = 10;

    public function __construct(private StoreSettings $settings) {}

    public static function newSecret(): string
    {
        return Base32::encode(random_bytes(self::SECRET_BYTES));
    }

    /**
     * What a device reads, as the common programs understand it.
     */
    public static function address(Teammate $teammate, string $secret): string
    {
        $store = rawurlencode(Store::current()->name);

        return "otpauth://totp/{$store}:".rawurlencode($teammate->email)."?secret={$secret}&issuer={$store}";
    }

    /**
     * @param  string  $secret  in base 32
     * @return list<string>|null the recovery codes, which are not shown again; null where the code is wrong
     */
    public function begin(Teammate $teammate, string $secret, string $code): ?array
    {
        $step = self::codesOf($secret)->accepts($code, now()->getTimestamp(), null);
        if ($step === null) {
            return null;
        }
        $teammate->forceFill([
            'second_factor_secret' => $secret, 'second_factor_since' => now(), 'second_factor_step' => $step,
        ])->save();

        return $this->newRecoveryCodes($teammate);
    }

    public function end(Teammate $teammate): void
    {
        $teammate->forceFill([
            'second_factor_secret' => null, 'second_factor_since' => null, 'second_factor_step' => null, 'recovery_codes' => null,
        ])->save();
    }

    /**
     * Whether a code is theirs, of the device or of those on paper. Each works once, also where two are sent at the same moment.
     */
    public function accepts(Teammate $teammate, string $code): bool
    {
        return DB::transaction(function () use ($teammate, $code): bool {
            $locked = Teammate::query()->lockForUpdate()->findOrFail($teammate->id);
            if ($locked->second_factor_secret === null) {
                return false;
            }
            $step = self::codesOf($locked->second_factor_secret)->accepts($code, now()->getTimestamp(), $locked->second_factor_step);
            if ($step !== null) {
                $locked->forceFill(['second_factor_step' => $step])->save();

                return true;
            }
            $left = array_values(array_diff($locked->recovery_codes ?? [], [self::hash($code)]));
            if (count($left) === count($locked->recovery_codes ?? [])) {
                return false;
            }
            $locked->forceFill(['recovery_codes' => $left])->save();

            return true;
        });
    }

    /**
     * @return list<string>
     */
    public function newRecoveryCodes(Teammate $teammate): array
    {
        $codes = array_map(
            static fn (): string => strtolower(implode('-', str_split(Base32::encode(random_bytes(10)), 4))),
            range(1, self::RECOVERY_CODES)
        );
        $teammate->forceFill(['recovery_codes' => array_map(self::hash(...), $codes)])->save();

        return $codes;
    }

    public function isRequiredOf(Role $role): bool
    {
        return in_array($role->value, $this->requiredOf(), true);
    }

    /**
     * @return list<string> roles
     */
    public function requiredOf(): array
    {
        return array_values(array_filter((array) $this->settings->get(self::REQUIRED_OF, []), is_string(...)));
    }

    /**
     * @param  list<Role>  $roles
     */
    public function require(array $roles): void
    {
        $this->settings->put(self::REQUIRED_OF, array_map(static fn (Role $role): string => $role->value, $roles));
    }

    private static function codesOf(string $secret): TimeBasedCode
    {
        return new TimeBasedCode((string) Base32::decode($secret));
    }

    /**
     * They are long enough that nobody goes through all of them: no salt, no slow hash.
     */
    private static function hash(string $code): string
    {
        return hash('sha256', (string) preg_replace('/[^a-z2-7]/', '', strtolower($code)));
    }
}
