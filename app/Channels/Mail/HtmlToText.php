<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use DOMDocument;
use DOMElement;
use DOMNode;
use DOMText;

/**
 * The text of an HTML message, for reading, searching and quoting: blocks on lines of their own,
 * lists with dashes, quoted blocks with `> `, links followed by their address.
 */
final class HtmlToText
{
    private const DROPPED = ['script', 'style', 'head', 'title', 'template', 'noscript', 'object', 'svg'];

    private const BLOCKS = [
        'p', 'div', 'br', 'tr', 'li', 'ul', 'ol', 'table', 'blockquote', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'pre', 'hr', 'section',
        'article', 'header', 'footer', 'dd', 'dt',
    ];

    private const DEEPEST = 250;

    public static function convert(string $html): string
    {
        $document = new DOMDocument;
        $loaded = @$document->loadHTML(
            '<?xml encoding="UTF-8"><body>'.$html, LIBXML_NONET | LIBXML_NOERROR | LIBXML_COMPACT | LIBXML_PARSEHUGE
        );
        $body = $loaded ? $document->getElementsByTagName('body')->item(0) : null;
        $text = $body === null ? strip_tags($html) : self::textOf($body, 0);
        $text = (string) preg_replace(['/[ \t\x{A0}]+/u', '/ ?\n ?/u', '/\n{3,}/'], [' ', "\n", "\n\n"], $text);

        return trim($text);
    }

    private static function textOf(DOMNode $node, int $depth): string
    {
        if ($node instanceof DOMText) {
            return (string) preg_replace('/\s+/u', ' ', $node->data);
        }
        if (! $node instanceof DOMElement || in_array($node->nodeName, self::DROPPED, true)) {
            return '';
        }
        if ($depth > self::DEEPEST) {
            return (string) preg_replace('/\s+/u', ' ', $node->textContent);
        }
        $inner = '';
        foreach ($node->childNodes as $child) {
            $inner .= self::textOf($child, $depth + 1);
        }

        return self::surround($node, $inner);
    }

    private static function surround(DOMElement $element, string $inner): string
    {
        return match ($element->nodeName) {
            'br' => "\n",
            'hr' => "\n\n",
            'p', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'table', 'ul', 'ol' => "\n\n".trim($inner)."\n\n",
            'li' => "\n- ".trim($inner),
            'td', 'th' => trim($inner).' ',
            'img' => $element->getAttribute('alt') === '' ? '' : '['.$element->getAttribute('alt').']',
            'a' => self::link($element, $inner),
            'blockquote' => "\n\n> ".str_replace("\n", "\n> ", trim((string) preg_replace('/\n{3,}/', "\n\n", $inner)))."\n\n",
            default => in_array($element->nodeName, self::BLOCKS, true) ? "\n{$inner}\n" : $inner,
        };
    }

    private static function link(DOMElement $link, string $inner): string
    {
        $address = trim($link->getAttribute('href'));
        $shown = trim($inner);

        return preg_match('#^https?://#i', $address) !== 1 || $shown === '' || str_contains($address, $shown)
            ? ($shown === '' ? '' : $inner)
            : "{$inner} ({$address})";
    }
}
