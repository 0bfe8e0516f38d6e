<?php

declare(strict_types=1);

namespace App\Returns;

use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Changes what holds for returns: each change is a version. Returns that have begun keep the one they began with.
 */
final class SaveReturnPolicy
{
    /**
     * @param  int  $shownVersion  of the form it was written in; 0 for a new one
     *
     * @throws ReturnRefused
     */
    public function save(
        ?ReturnPolicy $policy, ReturnReason $reason, PolicyToSave $written, int $shownVersion, ?Teammate $teammate
    ): ReturnPolicy {
        return DB::transaction(static function () use ($policy, $reason, $written, $shownVersion, $teammate): ReturnPolicy {
            DB::table('return_reasons')->where('id', $reason->id)->lockForUpdate()->value('id');
            $kept = $policy === null
                ? (new ReturnPolicy)->forceFill(['reason_id' => $reason->id, 'version' => 0])
                : ReturnPolicy::query()->lockForUpdate()->findOrFail($policy->id);
            $kept->version === $shownVersion || throw ReturnRefused::changedMeanwhile();
            $isTaken = ReturnPolicy::query()->where('reason_id', $reason->id)->whereNull('retired_at')->whereKeyNot($kept->id ?? 0)
                ->where('product_words', $written->productWords)
                ->where(static fn ($any) => $written->marketplace === null
                    ? $any->whereNull('marketplace')
                    : $any->where('marketplace', $written->marketplace))
                ->where(static fn ($any) => $written->group === null ? $any->whereNull('group_id')
                    : $any->where('group_id', $written->group))
                ->exists();
            $isTaken && throw ReturnRefused::sameScope($reason->name);
            $kept->forceFill([
                'marketplace' => $written->marketplace, 'group_id' => $written->group, 'product_words' => $written->productWords,
                'terms' => $written->terms->toArray(),
            ]);
            if ($kept->isDirty()) {
                $kept->forceFill(['version' => $kept->version + 1])->save();
                self::version($kept, $teammate);
            }

            return $kept;
        });
    }

    /**
     * Out of use, or in use again.
     */
    public function retire(ReturnPolicy $policy, bool $isRetired): void
    {
        $policy->forceFill(['retired_at' => $isRetired ? now() : null])->save();
    }

    private static function version(ReturnPolicy $policy, ?Teammate $teammate): void
    {
        (new ReturnPolicyVersion)->forceFill([
            'policy_id' => $policy->id, 'version' => $policy->version, 'teammate_id' => $teammate?->id, 'at' => now(),
            'content' => $policy->only(['marketplace', 'group_id', 'product_words', 'terms']),
        ])->save();
    }
}
