<?php

declare(strict_types=1);

namespace App\People;

use App\Team\Role;
use App\Team\Teammate;
use DateTimeZone;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/**
 * What an administrator says of a person.
 */
final readonly class PersonToSave
{
    /**
     * @param  list<int>  $teams
     */
    private function __construct(
        public string $name, public string $email, public Role $role, public string $timeZone, public array $teams
    ) {}

    public static function of(Request $request, ?Teammate $person): self
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'email' => ['required', 'email:rfc', 'max:254', Rule::unique('teammates', 'email')->ignore($person?->id)],
            'role' => ['required', Rule::enum(Role::class)],
            'time_zone' => ['required', Rule::in(DateTimeZone::listIdentifiers())],
            'teams' => ['array', 'max:100'],
            'teams.*' => ['integer', 'exists:teams,id'],
        ], ['email.unique' => 'Somebody has this address already, perhaps deactivated: look at the list.']);

        return new self(
            trim($given['name']), mb_strtolower(trim($given['email'])), Role::from($given['role']), $given['time_zone'],
            array_values(array_map(intval(...), $given['teams'] ?? []))
        );
    }
}
