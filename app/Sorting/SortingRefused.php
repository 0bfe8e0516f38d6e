<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Support\Refused;

/**
 * A change to categories, outcomes, tags or fields that is not possible as things stand.
 */
final class SortingRefused extends Refused
{
    public static function nameTaken(string $name): self
    {
        return new self('name_taken', "There is “{$name}” already. Choose another name, or merge the two.");
    }

    public static function inACircle(string $name, string $into): self
    {
        return new self('in_a_circle', "“{$name}” cannot lie below “{$into}”, which lies below it.");
    }

    public static function intoItself(string $name): self
    {
        return new self('into_itself', "“{$name}” cannot be merged into itself.");
    }

    public static function intoRetired(string $name): self
    {
        return new self('into_retired', "“{$name}” is retired or merged itself. Choose one that is in use.");
    }

    public static function hasChildren(string $name): self
    {
        return new self('has_children', "“{$name}” has categories below it. Move or retire those first.");
    }

    public static function tooDeep(int $deepest): self
    {
        return new self('too_deep', "Categories go {$deepest} levels deep at most.");
    }

    public static function noMembers(string $name): self
    {
        return new self(
            'no_members',
            "“{$name}” would be for its members alone and has none who can sign in. Choose who is responsible or who knows about it.",
            'members'
        );
    }

    public static function forMembersAlone(string $name): self
    {
        return new self(
            'for_members_alone',
            "“{$name}” is for its members alone. One of them, or an administrator, says who else is, and where it belongs."
        );
    }

    public static function needsChoices(): self
    {
        return new self('needs_choices', 'Write the choices, one on each line: at least two.');
    }

    public static function choiceInUse(string $choice, int $count): self
    {
        return new self('choice_in_use',
            "“{$choice}” is chosen ".(
                $count === 1 ? 'once' : "{$count} times"
            ).' and cannot be taken out. Retire the field, or keep the choice.'
        );
    }
}
