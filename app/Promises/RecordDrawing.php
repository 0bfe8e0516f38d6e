<?php

declare(strict_types=1);

namespace App\Promises;

use Illuminate\Support\HtmlString;

/**
 * The weeks of a promise set as columns: what was kept stands below, what was missed above it with a hatch of its own.
 */
final class RecordDrawing
{
    private const HEIGHT = 96;

    private const STEP = 46;

    private const WIDTH = 26;

    /**
     * @param  list<PromiseRecordLine>  $weeks
     */
    public static function of(array $weeks): HtmlString
    {
        $most = max(1, ...array_map(static fn (PromiseRecordLine $week): int => $week->kept + $week->missed, $weeks), ...[1]);
        $columns = '';
        $said = [];
        foreach ($weeks as $index => $week) {
            $x = $index * self::STEP + 10;
            $kept = round($week->kept / $most * self::HEIGHT, 1);
            $missed = round($week->missed / $most * self::HEIGHT, 1);
            $parts = ['kept' => [self::HEIGHT - $kept, $kept], 'missed' => [self::HEIGHT - $kept - $missed, $missed]];
            foreach ($parts as $class => [$y, $high]) {
                $columns .= sprintf('<rect class="record-%s" x="%d" y="%s" width="%d" height="%s"/>', $class, $x, $y, self::WIDTH, $high);
            }
            $columns .= sprintf('<text x="%d" y="%d">%s</text>', $x + intdiv(self::WIDTH, 2), self::HEIGHT + 15, e($week->label));
            $said[] = "{$week->label}: {$week->kept} kept, {$week->missed} missed";
        }
        $size = sprintf('viewBox="0 0 %1$d %2$d" width="%1$d" height="%2$d"', count($weeks) * self::STEP + 10, self::HEIGHT + 20);

        return new HtmlString(
            "<svg class=\"record-weeks\" {$size} role=\"img\" aria-label=\"By week. ".e(implode('; ', $said)).'" focusable="false">'
            .'<line class="record-ground" x1="0" x2="'.(count($weeks) * self::STEP + 10).'" y1="'.self::HEIGHT.'" y2="'.self::HEIGHT.'"/>'
            ."{$columns}</svg>"
        );
    }
}
