<?php

declare(strict_types=1);

namespace App\Returns;

use Illuminate\Support\HtmlString;

/**
 * The flow of returns from asked to settled: columns as high as they are many, ribbons between them, and what leaves below.
 */
final class FlowDrawing
{
    private const WIDTH = 860;

    private const STEP = 190;

    private const TOP = 26;

    private const MOST_HIGH = 84;

    private const BAR = 7;

    public static function of(FlowOfReturns $flow): HtmlString
    {
        $scale = self::MOST_HIGH / max(1, $flow->count(FlowPart::Asked));
        $drawn = '';
        $said = [];
        $bottom = self::TOP;
        foreach (FlowPart::columns() as $index => $column) {
            $x = 8 + $index * self::STEP;
            $high = $flow->count($column) * $scale;
            $next = FlowPart::columns()[$index + 1] ?? null;
            $goesOn = $next === null ? 0.0 : $flow->count($next) * $scale;
            $drawn .= $goesOn === 0.0 ? '' : sprintf(
                '<rect class="flow-on" x="%d" y="%d" width="%d" height="%.1f"/>', $x + self::BAR, self::TOP, self::STEP - self::BAR, $goesOn
            );
            [$leaving, $lowest, $words] = self::leaving($flow, $column, $x, $goesOn, $scale);
            $drawn .= $leaving.sprintf(
                '<rect class="flow-column%s" x="%d" y="%d" width="%d" height="%.1f"/><text class="flow-head" x="%d" y="16">%s</text>',
                $next === null ? ' flow-last' : '', $x, self::TOP, self::BAR, max(1.0, $high), $x,
                e("{$column->label()} {$flow->count($column)}")
            );
            $said[] = "{$column->label()} {$flow->count($column)}".($words === [] ? '' : ' ('.implode(', ', $words).')');
            $bottom = max($bottom, $lowest, self::TOP + (int) ceil($high));
        }
        $high = $bottom + 8;

        return new HtmlString(
            '<svg class="returns-flow" viewBox="0 0 '.self::WIDTH." {$high}\" role=\"img\" aria-label=\"".e(implode('; ', $said))
            ."\" focusable=\"false\">{$drawn}</svg>"
        );
    }

    /**
     * What does not go on from a column: bent down, each with its name.
     *
     * @return array{string, int, list<string>} drawn, how far down, and said in words
     */
    private static function leaving(FlowOfReturns $flow, FlowPart $column, int $x, float $goesOn, float $scale): array
    {
        $drawn = '';
        $words = [];
        $from = self::TOP + $goesOn;
        $at = $from + 10;
        foreach ($column->leaving() as $part) {
            $count = $flow->count($part);
            if ($count === 0) {
                continue;
            }
            $high = max(2.0, $count * $scale);
            [$left, $right] = [$x + self::BAR, $x + 92];
            $bend = ($left + $right) / 2;
            $drawn .= sprintf(
                '<path class="flow-off%s" d="M%d %.1fC%.1f %.1f %.1f %.1f %d %.1fV%.1fC%.1f %.1f %.1f %.1f %d %.1fZ"/>',
                $part->isLoss() ? ' flow-loss' : '', $left, $from, $bend, $from, $bend, $at, $right, $at, $at + $high, $bend, $at + $high,
                $bend, $from + $high, $left, $from + $high
            ).sprintf('<text class="flow-name" x="%d" y="%.1f">%s</text>', $right + 4, $at + $high / 2 + 4, e("{$part->label()} {$count}"));
            $words[] = "{$part->label()} {$count}";
            $from += $high;
            $at += max($high, 12.0) + 4;
        }

        return [$drawn, (int) ceil($at), $words];
    }
}
