<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

use Cairnfield\Core\Refusal;

/**
 * What is no template text that could be filled. The place is `line:column`, both from 1.
 */
final class TemplateRefused extends Refusal
{
    public static function tooLong(int $length, int $longest): self
    {
        return new self(
            'template_too_long', "The text has {$length} characters, and a template takes {$longest}. Make two templates of it.",
            '1:1'
        );
    }

    public static function notClosed(string $at): self
    {
        return new self('placeholder_not_closed', 'What begins with {{ ends with }} on the same line.', $at);
    }

    public static function noPlaceholder(string $written, string $at): self
    {
        return new self(
            'bad_placeholder',
            "“{{ {$written} }}” is no placeholder. One is written as {{ customer.first_name }} or {{ customer.first_name | \"there\" }}.",
            $at
        );
    }

    public static function formattedInside(string $at): self
    {
        return new self(
            'formatted_placeholder',
            'A placeholder is formatted as a whole: take the bold or the link away between {{ and }}, or put it around both.', $at
        );
    }

    public static function noTest(string $written, string $at): self
    {
        return new self(
            'bad_test',
            "“{$written}” is nothing that can be asked. Write {{ if order.sent }}, {{ if not order.sent }}, {{ if order.state is "
                .'"sent" }} or {{ if customer.orders at least 3 }}.',
            $at
        );
    }

    public static function neverEnds(string $at): self
    {
        return new self('if_without_end', 'This {{ if … }} has no {{ end }}.', $at);
    }

    public static function withoutIf(string $word, string $at): self
    {
        return new self('end_without_if', "This {{ {$word} }} belongs to no {{ if … }} before it.", $at);
    }

    public static function tooDeep(int $deepest, string $at): self
    {
        return new self('nested_too_deep', "Questions within questions go at most {$deepest} deep.", $at);
    }
}
