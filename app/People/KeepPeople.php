<?php

declare(strict_types=1);

namespace App\People;

use App\Channels\Mail\OwnMail;
use App\SignIn\MailPass;
use App\SignIn\Passes;
use App\SignIn\PassPurpose;
use App\SignIn\SignIns;
use App\Support\SecurityLog;
use App\Team\Role;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Who belongs to the team, and as what.
 */
final readonly class KeepPeople
{
    /** Of two administrators who take each other's role in one moment, one begins again and is refused. */
    private const TRIES = 3;

    public function __construct(private Passes $passes) {}

    /**
     * Is there from now on and can be given work; signs in once they have chosen a password.
     *
     * @return array{Teammate, string|null} with the link, where it cannot be mailed and has to be handed over
     */
    public function invite(PersonToSave $values, Teammate $by): array
    {
        $person = DB::transaction(function () use ($values, $by): Teammate {
            $person = new Teammate;
            // Nobody knows it.
            $person->forceFill([...$this->attributes($values), 'password' => Str::random(60), 'may_sign_in' => true])->save();
            $person->teams()->sync($values->teams);
            SecurityLog::note('people.invited', ['person' => $by->id, 'whom' => $person->id, 'role' => $values->role->value]);

            return $person;
        });

        return [$person, $this->sendPass($person, $by)];
    }

    /**
     * @throws PeopleRefused
     */
    public function change(Teammate $person, PersonToSave $values, Teammate $by): void
    {
        DB::transaction(function () use ($person, $values, $by): void {
            $locked = Teammate::query()->lockForUpdate()->findOrFail($person->id);
            if ($locked->role !== $values->role && $locked->is($by)) {
                throw PeopleRefused::ownRole();
            }
            $values->role->administers() || $this->leaveAnAdministrator($locked);
            $locked->role === $values->role || SecurityLog::note('people.role', [
                'person' => $by->id, 'whom' => $locked->id, 'from' => $locked->role->value, 'role' => $values->role->value,
            ]);
            $isOtherAddress = mb_strtolower($locked->email) !== $values->email;
            $locked->forceFill($this->attributes($values))->save();
            // What is known of them in a team stays: their share, the most they take.
            $locked->teams()->sync($values->teams);
            // A link that went to the address before is not theirs any more.
            ! $isOtherAddress ?: Passes::forget($locked);
        }, self::TRIES);
    }

    /**
     * A link by which they choose a password: the first, or another.
     *
     * @return string|null the link, where it cannot be mailed
     */
    public function sendPass(Teammate $person, Teammate $by): ?string
    {
        $purpose = $person->password_chosen_at === null ? PassPurpose::Invitation : PassPurpose::Reset;
        if (! OwnMail::canBeSent()) {
            return Passes::address($this->passes->make($person, $purpose, $by));
        }
        MailPass::dispatch($person->id, $purpose, $by->id);

        return null;
    }

    /**
     * @throws PeopleRefused
     */
    public function deactivate(Teammate $person, Teammate $by): void
    {
        DB::transaction(function () use ($person, $by): void {
            $locked = Teammate::query()->lockForUpdate()->findOrFail($person->id);
            if ($locked->is($by)) {
                throw PeopleRefused::oneself();
            }
            $this->leaveAnAdministrator($locked);
            $locked->forceFill(['may_sign_in' => false, 'calendar_key' => null])->save();
            SecurityLog::note('people.deactivated', ['person' => $by->id, 'whom' => $locked->id]);
            $locked->teams()->detach();
            Passes::forget($locked);
            SignIns::endAll($locked);
        }, self::TRIES);
    }

    /**
     * They choose a new password before they sign in again.
     *
     * @throws PeopleRefused where they can sign in: nobody's password is taken by pressing this twice
     */
    public function activate(Teammate $person, Teammate $by): ?string
    {
        if ($person->may_sign_in) {
            throw PeopleRefused::isThere($person->name);
        }
        $person->forceFill(['may_sign_in' => true, 'password' => Str::random(60), 'password_chosen_at' => null])->save();

        return $this->sendPass($person, $by);
    }

    /**
     * @return array<string, mixed>
     */
    private function attributes(PersonToSave $values): array
    {
        return [
            'name' => $values->name, 'email' => $values->email, 'role' => $values->role, 'time_zone' => $values->timeZone,
        ];
    }

    /**
     * Somebody must be able to let others in: two who take the role from each other at the same moment come one after the other.
     */
    private function leaveAnAdministrator(Teammate $but): void
    {
        $others = Teammate::query()
            ->where('role', Role::Administrator)
            ->where('may_sign_in', true)
            ->whereNotNull('password_chosen_at')
            ->lockForUpdate()
            ->pluck('id')
            ->reject(static fn (int $id): bool => $id === $but->id);
        if ($but->role->administers() && $others->isEmpty()) {
            throw PeopleRefused::lastAdministrator($but->name);
        }
    }
}
