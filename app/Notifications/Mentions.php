<?php

declare(strict_types=1);

namespace App\Notifications;

use App\Team\Teammate;
use Cairnfield\Core\Text\Folding;

/**
 * Who is named in a note: `@Ilse`, or `@Ilse Norrby` where two have the same first name.
 */
final class Mentions
{
    /**
     * @param  list<Teammate>  $team
     * @return list<Teammate>
     */
    public static function in(string $text, array $team): array
    {
        $folded = Folding::fold($text);
        $named = [];
        $firstNames = array_count_values(array_map(static fn (Teammate $person): string => Folding::fold($person->firstName()), $team));
        foreach ($team as $person) {
            $first = Folding::fold($person->firstName());
            $names = $firstNames[$first] === 1 ? [Folding::fold($person->name), $first] : [Folding::fold($person->name)];
            foreach ($names as $name) {
                if (preg_match('/(?<![\p{L}\p{N}])@'.preg_quote($name, '/').'(?![\p{L}\p{N}])/u', $folded) === 1) {
                    $named[] = $person;
                    break;
                }
            }
        }

        return $named;
    }
}
