<?php

declare(strict_types=1);

namespace App\Hours;

use Illuminate\Support\HtmlString;

/**
 * The hours of one day on a line from midnight to midnight, as SVG. Where it can be drawn in, a script does so.
 */
final class WeekDrawing
{
    /**
     * One unit is a minute.
     *
     * @param  list<array{string, string}>  $spans
     */
    public static function day(array $spans): HtmlString
    {
        $lines = '';
        for ($hour = 3; $hour < 24; $hour += 3) {
            $x = $hour * 60;
            $lines .= "<line x1=\"{$x}\" x2=\"{$x}\" y1=\"0\" y2=\"24\"/>";
        }
        $open = '';
        foreach ($spans as [$from, $to]) {
            $start = self::minute($from);
            $open .= sprintf('<rect x="%d" y="3" width="%d" height="18"/>', $start, self::minute($to) - $start);
        }

        return new HtmlString(
            '<svg class="day-line" viewBox="0 0 1440 24" preserveAspectRatio="none" aria-hidden="true" focusable="false">'
            ."<g class=\"day-hours\">{$lines}</g><g class=\"day-open\">{$open}</g></svg>"
        );
    }

    private static function minute(string $time): int
    {
        return (int) substr($time, 0, 2) * 60 + (int) substr($time, 3);
    }
}
