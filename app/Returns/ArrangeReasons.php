<?php

declare(strict_types=1);

namespace App\Returns;

use Illuminate\Support\Facades\DB;

/**
 * Makes, renames and retires the reasons for which something comes back or money goes back. What has one keeps it.
 */
final class ArrangeReasons
{
    /**
     * @throws ReturnRefused
     */
    public function save(?ReturnReason $reason, string $name): ReturnReason
    {
        return DB::transaction(static function () use ($reason, $name): ReturnReason {
            ReturnReason::query()->where('name', $name)->whereKeyNot($reason->id ?? 0)->lockForUpdate()->exists()
                && throw ReturnRefused::nameTaken($name);
            $reason ??= (new ReturnReason)->forceFill(['position' => (int) ReturnReason::query()->max('position') + 1]);
            $reason->forceFill(['name' => $name])->save();

            return $reason;
        });
    }

    public function retire(ReturnReason $reason, bool $isRetired): void
    {
        $reason->forceFill(['retired_at' => $isRetired ? now() : null])->save();
    }
}
