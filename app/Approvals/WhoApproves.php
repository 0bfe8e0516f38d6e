<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Sorting\WhoMayRead;
use App\Team\Role;
use App\Team\Teammate;
use Illuminate\Database\Eloquent\Collection;

/**
 * Whose yes something needs: of the role that it is at, and who answers for them while they are away. Never who asked.
 */
final readonly class WhoApproves
{
    public function __construct(private WhoMayRead $whoMayRead) {}

    /**
     * Those who can answer now, and those who answer for one of them who is away.
     *
     * @return list<Teammate>
     */
    public function people(Approval $approval): array
    {
        $readers = $approval->conversation_id === null ? null : $this->whoMayRead->ofNumber($approval->conversation_id);
        $fit = $this->ofRole($approval->needs())->filter(static fn (Teammate $one): bool => $approval->asked_of === null
            || $one->id === $approval->asked_of);
        $deputies = $fit->filter(static fn (Teammate $one): bool => $one->isAway() && $one->deputy_id !== null)->pluck('deputy_id');
        $deputies = $deputies->isEmpty() ? new Collection : Teammate::working()->whereKey($deputies)->get();

        return array_values($fit->concat($deputies)->unique('id')->filter(
            static fn (Teammate $one): bool => $one->id !== $approval->asked_by && ! $approval->isGivenBy($one)
                && ($readers === null || in_array($one->id, $readers, true))
        )->all());
    }

    public function may(Teammate $teammate, Approval $approval): bool
    {
        $isOpen = $approval->state === ApprovalState::Asked;

        return $teammate->id !== $approval->asked_by && ! ($isOpen && $approval->isGivenBy($teammate))
            && (self::fits($teammate->role, $approval->needs()) || $this->isDeputy($teammate, $approval));
    }

    /**
     * An administrator says yes wherever a lead does.
     */
    public static function fits(Role $role, Role $needed): bool
    {
        return $role === Role::Administrator || ($needed === Role::Lead && $role->approves());
    }

    private function isDeputy(Teammate $teammate, Approval $approval): bool
    {
        return $this->ofRole($approval->needs())->contains(
            static fn (Teammate $one): bool => $one->deputy_id === $teammate->id && $one->isAway() && $one->id !== $approval->asked_by
        );
    }

    /**
     * @return Collection<int, Teammate>
     */
    private function ofRole(Role $needed): Collection
    {
        $roles = array_filter(Role::cases(), static fn (Role $role): bool => self::fits($role, $needed));

        return Teammate::working()->whereIn('role', $roles)->get();
    }
}
