<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * A template's text with its placeholders filled.
 */
final readonly class FilledText
{
    /**
     * @param  list<Gap>  $gaps  what could not be filled; it stands in the text as it was written
     */
    public function __construct(public string $text, public array $gaps) {}

    /**
     * Placeholders that still stand in a text, such as one that is about to be sent.
     *
     * @return list<Gap>
     */
    public static function gapsIn(string $text): array
    {
        preg_match_all(
            '/\{\{\h*(?:if\h+(?:not\h+)?|else\h+if\h+)?('.TemplateText::NAME.')[^{}\v]*\}\}/u', $text, $found, PREG_OFFSET_CAPTURE
        );

        return array_map(
            static fn (array $name): Gap => new Gap($name[0], substr_count(substr($text, 0, $name[1]), "\n") + 1),
            $found[1],
        );
    }
}
