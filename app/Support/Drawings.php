<?php

declare(strict_types=1);

namespace App\Support;

use App\Promises\PromiseStanding;
use Illuminate\Support\HtmlString;

/**
 * The drawings that stand in every row of a list, as SVG. Plain PHP, since a list has hundreds of them.
 */
final class Drawings
{
    /** Four stones, the widest at the bottom: x, y, and the two radii. */
    private const STONES = [[14, 24.2, 10.5, 2.4], [14, 18.6, 8, 2.3], [14, 13.4, 5.6, 2.1], [14, 8.8, 3.4, 1.8]];

    /** @var array<string, string> the shapes of icons, read once */
    private static array $icons = [];

    /**
     * The cairn of a promise: one stone falls for each quarter of the time; missed, all lie dashed.
     */
    public static function cairn(?PromiseStanding $standing = null): HtmlString
    {
        $class = match (true) {
            $standing === null => 'cairn-paused',
            $standing->missed => 'cairn-missed',
            $standing->stones === 1 || $standing->soon => 'cairn-soon',
            default => 'cairn-good',
        };
        $stones = '';
        foreach (self::STONES as $index => [$x, $y, $rx, $ry]) {
            $stones .= "<ellipse cx=\"{$x}\" cy=\"{$y}\" rx=\"{$rx}\" ry=\"{$ry}\" class=\"".(
                $standing !== null && $index < $standing->stones ? 'stone' : 'fallen'
            ).'"/>';
        }

        // When what falls, so that it does while one looks.
        $times = $standing === null ? '' : sprintf(
            ' data-kind="%s" data-due="%d" data-falls="%s"', e(ucfirst($standing->kind->label())), $standing->dueAt,
            implode(',', array_filter($standing->stonesFallAt))
        );

        return new HtmlString(
            "<svg class=\"cairn {$class}\"{$times} viewBox=\"0 0 28 28\" width=\"28\" height=\"28\" role=\"img\" aria-label=\"".e(
                $standing?->describe() ?? 'No promise running'
            )."\" focusable=\"false\">{$stones}</svg>"
        );
    }

    /**
     * An icon by its name; with a label it is read out, without it is not.
     */
    public static function icon(string $name, ?string $label = null): HtmlString
    {
        $shape = self::$icons[$name] ??= trim(view('components.icon-shape', ['name' => $name])->render());
        $role = $label === null ? 'aria-hidden="true"' : 'role="img" aria-label="'.e($label).'"';

        return new HtmlString(
            "<svg class=\"icon\" viewBox=\"0 0 16 16\" width=\"16\" height=\"16\" {$role} focusable=\"false\">{$shape}</svg>"
        );
    }
}
