<?php

declare(strict_types=1);

namespace App\Answering;

use App\Channels\Mail\HtmlToText;
use App\Support\HtmlCleaner;

/**
 * What was written with the editor of rich text: cleaned, and as plain text beside it. Pictures come as files,
 * not in the text.
 */
final readonly class RichText
{
    private function __construct(public string $html, public string $text) {}

    /**
     * @return self|null null where nothing was written that is more than plain text
     */
    public static function of(?string $written, HtmlCleaner $cleaner): ?self
    {
        $html = trim((string) preg_replace('#<(img|figure)\b[^>]*>|</figure>#i', '', $cleaner->clean((string) $written)));
        $isPlain = preg_match('#<(?:b|strong|i|em|del|s|u|a|ul|ol|li|blockquote|pre|h1)\b#i', $html) !== 1;

        return $html === '' || $isPlain ? null : new self($html, trim(HtmlToText::convert($html)));
    }
}
