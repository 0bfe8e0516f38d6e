<?php

declare(strict_types=1);

namespace App\Store;

use App\SignIn\Passes;
use App\Support\SecurityLog;
use App\Team\Role;
use App\Team\Team;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * The first person, and the first team, which they are of.
 */
final readonly class MakeAdministrator
{
    private const TRIES = 3;

    public function __construct(private BeginLink $link, private BeginSteps $steps) {}

    /**
     * @return Teammate|null null where the link was used meanwhile
     */
    public function make(string $key, string $name, string $email, string $password): ?Teammate
    {
        return DB::transaction(function () use ($key, $name, $email, $password): ?Teammate {
            if (! $this->link->use($key)) {
                return null;
            }
            $person = Teammate::query()->where('email', $email)->first() ?? new Teammate;
            $person->forceFill([
                'name' => trim($name), 'email' => $email, 'role' => Role::Administrator, 'time_zone' => Store::current()->timeZone,
                'may_sign_in' => true, 'password' => Str::random(60),
            ])->save();
            Passes::choosePassword($person, $password);
            SecurityLog::note('people.first_administrator', ['person' => $person->id]);
            $this->steps->begin();
            $team = Team::query()->orderBy('id')->first() ?? Team::query()->create(['name' => FirstSet::current()->team()]);
            $person->teams()->syncWithoutDetaching([$team->id]);

            return $person;
        }, self::TRIES);
    }
}
