<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * HTML read as a person reads it, so that what is found in the text can be replaced in the HTML: elements within a line do not part
 * it, `br` and blocks end it, cells of a table stand side by side.
 */
final class HtmlAsText
{
    private const WITHIN_LINE = [
        'a', 'abbr', 'b', 'bdi', 'bdo', 'big', 'cite', 'code', 'del', 'em', 'font', 'i', 'img', 'ins', 'kbd', 'label', 'mark', 'q', 's',
        'samp', 'small', 'span', 'strike', 'strong', 'sub', 'sup', 'time', 'tt', 'u', 'var', 'wbr',
    ];

    private const CELLS = ['td', 'th'];

    /** @var list<array{bool, string}> whether it is a tag, and what is written: tags as they are, texts decoded */
    private array $parts = [];

    private function __construct() {}

    public static function of(string $html): self
    {
        $text = new self;
        foreach (preg_split('/(<[^>]*>)/', $html, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
            $text->parts[] = str_starts_with($part, '<')
                ? [true, $part]
                : [false, mb_scrub(html_entity_decode($part, ENT_QUOTES | ENT_HTML5, 'UTF-8'), 'UTF-8')];
        }

        return $text;
    }

    public function text(): string
    {
        return implode('', array_map(self::read(...), $this->parts));
    }

    /**
     * Puts something else in place of what stands at places of the text: where it begins, and nothing where it goes on.
     *
     * @param  list<array{int, int, string}>  $places  where each begins and how long it is, in bytes, and what is put there; in order
     */
    public function replace(array $places): void
    {
        $at = 0;
        $next = 0;
        foreach ($this->parts as $index => $part) {
            $read = self::read($part);
            $end = $at + strlen($read);
            $changed = '';
            $from = $at;
            while (isset($places[$next]) && $places[$next][0] < $end) {
                [$start, $length, $instead] = $places[$next];
                $changed .= substr($read, $from - $at, max(0, $start - $from)).($start >= $at ? $instead : '');
                $from = min($end, $start + $length);
                if ($start + $length > $end) {
                    break;
                }
                $next++;
            }
            if ($from > $at && ! $part[0]) {
                $this->parts[$index] = [false, $changed.substr($read, $from - $at)];
            }
            $at = $end;
        }
    }

    /**
     * @param  array{bool, string}  $part
     */
    private static function read(array $part): string
    {
        if (! $part[0]) {
            return $part[1];
        }
        $name = preg_match('#^</?([a-z][a-z0-9]*)#i', $part[1], $found) === 1 ? strtolower($found[1]) : '';

        return match (true) {
            in_array($name, self::WITHIN_LINE, true), $name === '' => '',
            in_array($name, self::CELLS, true) => "\t",
            default => "\n",
        };
    }

    public function html(): string
    {
        return implode('', array_map(static fn (array $part): string => $part[0] ? $part[1] : e($part[1]), $this->parts));
    }

    /**
     * @return list<string> what stands in attributes that are shown or followed
     */
    public function attributes(): array
    {
        $values = [];
        foreach ($this->parts as [$isTag, $written]) {
            if ($isTag && preg_match_all('/(?:href|alt|title|src)="([^"]*)"/', $written, $attributes) > 0) {
                foreach ($attributes[1] as $value) {
                    $values[] = mb_scrub(rawurldecode(html_entity_decode($value, ENT_QUOTES | ENT_HTML5, 'UTF-8')), 'UTF-8');
                }
            }
        }

        return $values;
    }
}
