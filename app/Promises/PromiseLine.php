<?php

declare(strict_types=1);

namespace App\Promises;

use App\Support\LocalTime;
use DateTimeImmutable;
use Illuminate\Support\HtmlString;

/**
 * One promise on a line from its start to its end: drawn through while its clock ran, dotted while it stood still, with a mark
 * where it falls due.
 */
final class PromiseLine
{
    private const WIDTH = 420;

    private const TOP = 11;

    public static function of(MeasuredPromise $promise, DateTimeImmutable $now, LocalTime $time): HtmlString
    {
        $start = $promise->startedAt->getTimestamp();
        $end = max($start + 1, ($promise->endedAt ?? max($now, $promise->dueAt ?? $now))->getTimestamp());
        $x = static fn (DateTimeImmutable $at): string => (string) round(
            4 + ($at->getTimestamp() - $start) / ($end - $start) * (self::WIDTH - 8), 1
        );
        $line = '<line class="promise-ground" x1="4" x2="'.(self::WIDTH - 4).'" y1="'.self::TOP.'" y2="'.self::TOP.'"/>';
        $said = [];
        foreach ($promise->runs as $run) {
            $to = $run->to ?? $now;
            $line .= "<line class=\"promise-ran\" x1=\"{$x($run->from)}\" x2=\"{$x($to)}\" y1=\"".self::TOP.'" y2="'.self::TOP.'"/>';
            $said[] = "ran from {$time->short($run->from)} to ".($run->to === null ? 'now' : $time->short($run->to));
        }
        if ($promise->dueAt !== null) {
            $class = $promise->dueAt <= $now ? 'promise-due promise-due-missed' : 'promise-due';
            $line .= "<line class=\"{$class}\" x1=\"{$x($promise->dueAt)}\" x2=\"{$x($promise->dueAt)}\" y1=\"3\" y2=\"19\"/>";
            $said[] = "due {$time->short($promise->dueAt)}";
        }
        $ended = $promise->endedAt === null
            ? ''
            : "<circle class=\"promise-end\" cx=\"{$x($promise->endedAt)}\" cy=\"".self::TOP.'" r="4"/>';
        $size = 'viewBox="0 0 '.self::WIDTH.' 22" width="'.self::WIDTH.'" height="22"';

        return new HtmlString(
            "<svg class=\"promise-line\" {$size} role=\"img\" aria-label=\"".e(ucfirst(implode('; ', $said))).'" focusable="false">'
            ."{$line}{$ended}</svg>"
        );
    }
}
