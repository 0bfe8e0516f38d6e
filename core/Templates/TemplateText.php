<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * A template's text: words, placeholders, and parts that stand only if something holds.
 *
 * ```
 * Hello {{ customer.first_name | "there" }},
 * {{ if order.sent }}
 * it left on {{ order.sent_on }}.
 * {{ else if order.paid }}
 * it is being packed.
 * {{ else }}
 * we wait for the payment.
 * {{ end }}
 * ```
 *
 * A line on which only an `if`, `else` or `end` stands leaves no empty line behind.
 */
final readonly class TemplateText
{
    public const LONGEST = 50_000;

    /** How a value is named: words of small letters, digits and low lines, with dots between. */
    public const NAME = '\p{Ll}[\p{Ll}\p{M}\d_]*(?:\.[\p{Ll}\d][\p{Ll}\p{M}\d_]*)+';

    private const DEEPEST = 5;

    private const PLACEHOLDER = '/^('.self::NAME.'(?:\h*\|\h*'.self::NAME.')*)(?:\h*\|\h*"([^"]*)")?$/uD';

    /**
     * @param  list<Part>  $parts
     */
    private function __construct(private array $parts, private bool $isHtml) {}

    /**
     * @throws TemplateRefused with line and column: `template_too_long`, `placeholder_not_closed`, `bad_placeholder`, `bad_test`,
     *   `if_without_end`, `end_without_if`, `nested_too_deep`
     */
    public static function ofText(string $written): self
    {
        return self::read(str_replace(["\r\n", "\r"], "\n", $written), false);
    }

    /**
     * @param  string  $html  cleaned already; values are escaped when they are filled in
     *
     * @throws TemplateRefused as for plain text, and `formatted_placeholder`
     */
    public static function ofHtml(string $html): self
    {
        return self::read($html, true);
    }

    public function fill(Values $values, Wording $wording): FilledText
    {
        $filling = new Filling($values, $wording, $this->isHtml
            ? static fn (string $text): string => str_replace(
                "\n", '<br>', htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5)
            )
            : static fn (string $text): string => $text);
        foreach ($this->parts as $part) {
            $part->fill($filling);
        }

        return $filling->done();
    }

    /**
     * @return list<Placeholder> in reading order, those that an `if` asks for among them
     */
    public function placeholders(): array
    {
        return array_merge(...array_map(static fn (Part $part): array => $part->placeholders(), $this->parts), ...[[]]);
    }

    private static function read(string $written, bool $isHtml): self
    {
        if (mb_strlen($written) > self::LONGEST) {
            throw TemplateRefused::tooLong(mb_strlen($written), self::LONGEST);
        }
        // The whole text, and in it the choices that are not closed yet, the innermost last.
        $whole = new OpenChoice('1:1');
        $open = [];
        $rest = 0;
        while (($begin = strpos($written, '{{', $rest)) !== false) {
            $at = self::place($written, $begin);
            [$inside, $after] = self::inside($written, $begin, $at, $isHtml);
            $word = preg_match('/^(else if|if|else|end)(?: |$)/uD', $inside, $first) === 1 ? $first[1] : '';
            $before = substr($written, $rest, $begin - $rest);
            [$before, $rest] = $word === '' ? [$before, $after] : self::withoutItsLine($written, $before, $begin, $after);
            $current = $open === [] ? $whole : $open[count($open) - 1];
            $before === '' ?: $current->add(new Plain($before));
            if ($word === '') {
                $current->add(self::placeholder($inside, $at));
            } elseif ($word === 'if') {
                count($open) < self::DEEPEST || throw TemplateRefused::tooDeep(self::DEEPEST, $at);
                $open[] = new OpenChoice($at, Question::read(substr($inside, 2), $at));
            } elseif ($word === 'end') {
                $closed = array_pop($open) ?? throw TemplateRefused::withoutIf($word, $at);
                ($open === [] ? $whole : $open[count($open) - 1])->add($closed->closed());
            } else {
                $current->asks() || throw TemplateRefused::withoutIf($word, $at);
                $current->goOn($word === 'else' ? null : Question::read(substr($inside, 7), $at));
            }
        }
        $open === [] || throw TemplateRefused::neverEnds($open[count($open) - 1]->at);
        $rest === strlen($written) ?: $whole->add(new Plain(substr($written, $rest)));

        return new self($whole->parts(), $isHtml);
    }

    /**
     * @return array{string, int} what stands between the braces, and where the rest begins
     */
    private static function inside(string $written, int $begin, string $at, bool $isHtml): array
    {
        $end = strpos($written, '}}', $begin);
        $inside = $end === false ? '' : substr($written, $begin + 2, $end - $begin - 2);
        if ($end === false || str_contains($inside, '{{') || preg_match('/[\n\v]|<br|<\/?div|<\/?p\b/u', $inside) === 1) {
            throw TemplateRefused::notClosed($at);
        }
        if ($isHtml && str_contains($inside, '<')) {
            throw TemplateRefused::formattedInside($at);
        }
        $inside = $isHtml ? html_entity_decode($inside, ENT_QUOTES | ENT_HTML5) : $inside;

        return [trim((string) preg_replace('/\h+/u', ' ', $inside)), $end + 2];
    }

    private static function placeholder(string $inside, string $at): Placeholder
    {
        if (preg_match(self::PLACEHOLDER, $inside, $parts) !== 1) {
            throw TemplateRefused::noPlaceholder($inside, $at);
        }
        /** @var non-empty-list<string> $names */
        $names = array_map(trim(...), explode('|', $parts[1]));

        return new Placeholder($names, $parts[2] ?? null, $at);
    }

    /**
     * Where nothing else stands on the line of an `if`, the line goes with it.
     *
     * @return array{string, int} what stands before it, and where the rest begins
     */
    private static function withoutItsLine(string $written, string $before, int $begin, int $rest): array
    {
        if (preg_match('/(?:^|\n|<br>|<br \/>|<div>|<p>)\h*$/uD', substr($written, 0, $begin)) !== 1
            || preg_match('/\G\h*(?:\n|<br>|<br \/>|$)/uD', $written, $ends, 0, $rest) !== 1) {
            return [$before, $rest];
        }

        return [(string) preg_replace('/\h+$/uD', '', $before), $rest + strlen($ends[0])];
    }

    private static function place(string $written, int $offset): string
    {
        $before = substr($written, 0, $offset);
        $line = substr_count($before, "\n") + 1;

        return $line.':'.(mb_strlen($before) - (int) mb_strrpos("\n{$before}", "\n") + 1);
    }
}
