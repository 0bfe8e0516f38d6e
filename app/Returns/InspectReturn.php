<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Actor;
use App\Team\Teammate;

/**
 * Writes down how each unit was found, what else lay in the parcel, and what goes back to stock. Until it is settled it can be done
 * anew.
 */
final readonly class InspectReturn
{
    /** Other things in one parcel. */
    private const MOST_OTHERS = 20;

    public function __construct(private MoveReturn $move) {}

    /**
     * @param  array<int, list<Grade|null>>  $grades  of each unit, by the id of the order's line
     * @param  array<int, list<bool>>  $toStock  whether it goes back to stock, in the same way
     * @param  list<string>  $others  what lay in the parcel and nobody had agreed on
     *
     * @throws ReturnRefused where a unit is left
     */
    public function inspect(CustomerReturn $return, array $grades, array $toStock, array $others, Teammate $teammate): CustomerReturn
    {
        $values = function (CustomerReturn $locked) use ($grades, $toStock, $others, $teammate): array {
            $locked->load('lines.orderLine');
            $locked->units()->delete();
            foreach ($locked->lines as $line) {
                for ($place = 0; $place < $line->quantity; $place++) {
                    $grade = $grades[$line->order_line_id][$place] ?? throw ReturnRefused::notGraded($line->orderLine->title);
                    (new ReturnUnit)->forceFill([
                        'return_id' => $locked->id, 'order_line_id' => $line->order_line_id, 'place' => $place, 'grade' => $grade,
                        'to_stock' => $grade->isThere() && ($toStock[$line->order_line_id][$place] ?? false),
                    ])->save();
                }
            }
            foreach (array_slice(array_values(array_filter(array_map(trim(...), $others))), 0, self::MOST_OTHERS) as $place => $other) {
                (new ReturnUnit)->forceFill([
                    'return_id' => $locked->id, 'place' => $place, 'title' => mb_substr($other, 0, 200), 'grade' => Grade::Other,
                ])->save();
            }

            return ['inspected_at' => now(), 'inspected_by' => $teammate->id];
        };
        $how = self::inWords($grades, $others);

        return $this->move->to($return, ReturnState::Inspected, Actor::teammate($teammate), $values, $how);
    }

    /**
     * @param  array<int, list<Grade|null>>  $grades
     * @param  list<string>  $others
     */
    private static function inWords(array $grades, array $others): string
    {
        $counts = [];
        foreach ($grades as $units) {
            foreach ($units as $grade) {
                $grade === null ?: $counts[$grade->value] = ($counts[$grade->value] ?? 0) + 1;
            }
        }
        $words = array_map(
            static fn (string $grade, int $count): string => "{$count} ".mb_strtolower(Grade::from($grade)->label()),
            array_keys($counts), $counts
        );
        $besides = array_values(array_filter(array_map(trim(...), $others)));

        return mb_substr(implode(', ', [...$words, ...($besides === [] ? [] : ['besides '.implode(', ', $besides)])]), 0, 300);
    }
}
