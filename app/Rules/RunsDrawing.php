<?php

declare(strict_types=1);

namespace App\Rules;

use Illuminate\Support\HtmlString;

/**
 * A rule's runs by day, as small columns.
 */
final class RunsDrawing
{
    private const HEIGHT = 18;

    private const STEP = 6;

    /**
     * @param  array<string, array{done: int, failed: int}>  $byDay
     * @param  int  $days  up to today
     */
    public static function of(array $byDay, int $days, int $scale = 1): HtmlString
    {
        $most = max(1, ...array_map(static fn (array $day): int => $day['done'] + $day['failed'], array_values($byDay)), ...[1]);
        $columns = '';
        $all = 0;
        for ($index = 0; $index < $days; $index++) {
            $day = $byDay[now()->subDays($days - 1 - $index)->format('Y-m-d')] ?? ['done' => 0, 'failed' => 0];
            $all += $day['done'] + $day['failed'];
            $done = round($day['done'] / $most * self::HEIGHT, 1);
            $failed = round($day['failed'] / $most * self::HEIGHT, 1);
            $x = $index * self::STEP;
            $columns .= '<rect class="run-ground" x="'.$x.'" y="'.(self::HEIGHT - 1).'" width="4" height="1"/>';
            $columns .= $done > 0 ? '<rect class="run-done" x="'.$x.'" y="'.(self::HEIGHT - $done).'" width="4" height="'.$done.'"/>' : '';
            $columns .= $failed > 0
                ? '<rect class="run-failed" x="'.$x.'" y="'.(self::HEIGHT - $done - $failed).'" width="4" height="'.$failed.'"/>'
                : '';
        }
        $width = $days * self::STEP;

        $label = $all === 1 ? "1 run in {$days} days" : "{$all} runs in {$days} days";
        $size = sprintf(
            'viewBox="0 0 %d %d" width="%s" height="%s"', $width, self::HEIGHT, (string) ($width * $scale), (string) (self::HEIGHT * $scale)
        );

        return new HtmlString(
            "<svg class=\"runs\" {$size} role=\"img\" aria-label=\"{$label}\" focusable=\"false\">{$columns}</svg>"
        );
    }
}
