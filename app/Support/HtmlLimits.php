<?php

declare(strict_types=1);

namespace App\Support;

/**
 * Cuts HTML from outside down to what can be read and shown in time, before anything builds a tree of it: so many elements, so
 * deep, so long. Goes through it once. What is left out of the tree stays as text.
 *
 * It decides nothing about safety: what it leaves is cleaned (`HtmlCleaner`) like any other.
 */
final class HtmlLimits
{
    /** Far more than the longest newsletter has. */
    public const MOST_ELEMENTS = 5_000;

    public const DEEPEST = 100;

    /** In bytes. */
    public const LONGEST = 1_500_000;

    /** Of a tag, in bytes: what is longer mostly holds a picture as data. */
    private const LONGEST_TAG = 4_000;

    private const MOST_ATTRIBUTES = 50;

    private const NAME = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789:-';

    /** Never have content (HTML Living Standard, 13.1.2). */
    private const VOID = ['area', 'base', 'br', 'col', 'embed', 'hr', 'img', 'input', 'link', 'meta', 'param', 'source', 'track', 'wbr'];

    /** Whose end is mostly left out (13.1.2.4), so that they do not stand in each other. */
    private const WITHOUT_END = [
        'p', 'li', 'td', 'th', 'tr', 'dt', 'dd', 'option', 'optgroup', 'thead', 'tbody', 'tfoot', 'colgroup', 'html', 'head', 'body',
    ];

    /** What stands in them is no markup, and nothing that is read. */
    private const RAW = ['script', 'style', 'iframe', 'noembed', 'noframes', 'xmp', 'plaintext'];

    private string $kept = '';

    private bool $isCut = false;

    private int $elements = 0;

    /** @var array<string, int> how many are open, by name */
    private array $open = [];

    private int $depth = 0;

    /** @var array<string, int> where the last end of each stands that was looked for */
    private array $lastEnds = [];

    private function __construct(private readonly string $html) {}

    /**
     * @return array{string, bool} what is left, and whether something was taken out of its tree or left out
     */
    public static function apply(string $html): array
    {
        $limits = new self($html);
        $limits->go();

        return [$limits->kept, $limits->isCut];
    }

    private function go(): void
    {
        $at = 0;
        while (($sign = strpos($this->html, '<', $at)) !== false) {
            $this->text($at, $sign);
            // Full to the last byte, too: what follows would be cut to nothing, each piece after another.
            if (strlen($this->kept) >= self::LONGEST) {
                $this->isCut = true;

                return;
            }
            $at = $this->markup($sign);
        }
        $this->text($at, strlen($this->html));
    }

    private function text(int $from, int $to): void
    {
        $room = self::LONGEST - strlen($this->kept);
        if ($to - $from > $room) {
            $this->isCut = true;
            $this->kept .= mb_strcut(substr($this->html, $from, max(0, $room) + 4), 0, max(0, $room), 'UTF-8');

            return;
        }
        $this->kept .= substr($this->html, $from, $to - $from);
    }

    /**
     * @return int where it goes on after what begins there
     */
    private function markup(int $sign): int
    {
        $next = $this->html[$sign + 1] ?? '';
        if ($next === '!' || $next === '?') {
            return $this->comment($sign);
        }
        $isEnd = $next === '/';
        $from = $sign + ($isEnd ? 2 : 1);
        $name = ctype_alpha($this->html[$from] ?? '')
            ? strtolower(substr($this->html, $from, strspn($this->html, self::NAME, $from, 60)))
            : '';
        $end = $name === '' ? null : $this->endOfTag($from);
        if ($end === null) {
            $this->kept .= '&lt;';

            return $sign + 1;
        }
        if (in_array($name, self::RAW, true) && ! $isEnd) {
            return $this->endOfRaw($name, $end);
        }
        $isEnd ? $this->close($name) : $this->begin($name, substr($this->html, $sign, $end - $sign));

        return $end;
    }

    private function comment(int $sign): int
    {
        $isComment = substr($this->html, $sign + 2, 2) === '--';
        $end = strpos($this->html, $isComment ? '-->' : '>', $sign + 2);
        if ($end !== false) {
            return $end + ($isComment ? 3 : 1);
        }
        // Without an end it is all that follows.
        $this->isCut = true;

        return strlen($this->html);
    }

    /**
     * @return int|null right after its `>`; null where it has none
     */
    private function endOfTag(int $from): ?int
    {
        $at = $from;
        while (true) {
            $at += strcspn($this->html, '>"\'', $at);
            $sign = $this->html[$at] ?? '';
            if ($sign === '>' || $sign === '') {
                return $sign === '' ? null : $at + 1;
            }
            // A quote that is never closed is no quote.
            $close = $this->next($sign, $at + 1);
            $at = $close === null ? $at + 1 : $close + 1;
        }
    }

    private function endOfRaw(string $name, int $from): int
    {
        $end = $this->next("</{$name}", $from);
        if ($end === null) {
            $this->isCut = true;

            return $from;
        }

        return $this->endOfTag($end + 2) ?? strlen($this->html);
    }

    /**
     * Where it stands next. What is not there any more is looked for once.
     */
    private function next(string $what, int $from): ?int
    {
        $this->lastEnds[$what] ??= strripos($this->html, $what) === false ? -1 : (int) strripos($this->html, $what);
        $at = $this->lastEnds[$what] < $from ? false : stripos($this->html, $what, $from);

        return $at === false ? null : $at;
    }

    private function begin(string $name, string $tag): void
    {
        $isCounted = ! in_array($name, self::VOID, true) && ! in_array($name, self::WITHOUT_END, true);
        if (++$this->elements > self::MOST_ELEMENTS || ($isCounted && $this->depth >= self::DEEPEST)) {
            $this->isCut = true;
            str_ends_with($this->kept, ' ') ?: $this->kept .= ' ';

            return;
        }
        if ($isCounted) {
            $this->open[$name] = ($this->open[$name] ?? 0) + 1;
            $this->depth++;
        }
        $this->kept .= strlen($tag) > self::LONGEST_TAG || substr_count($tag, '=') > self::MOST_ATTRIBUTES
            ? $this->shortened($name, substr($tag, 0, self::LONGEST_TAG))
            : $tag;
    }

    private function close(string $name): void
    {
        if (($this->open[$name] ?? 0) > 0) {
            $this->open[$name]--;
            $this->depth--;
            $this->kept .= "</{$name}>";
        } elseif (in_array($name, self::WITHOUT_END, true)) {
            $this->kept .= "</{$name}>";
        }
    }

    /**
     * With what is shown of it, and no more.
     */
    private function shortened(string $name, string $tag): string
    {
        preg_match_all('/\s(href|src|alt|title|colspan|rowspan)\s*+=\s*+("[^"<>]{0,2000}"|\'[^\'<>]{0,2000}\')/i', $tag, $shown);

        return "<{$name} ".implode(' ', array_slice($shown[0], 0, 10)).'>';
    }
}
