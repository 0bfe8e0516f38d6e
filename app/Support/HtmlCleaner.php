<?php

declare(strict_types=1);

namespace App\Support;

use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/**
 * Makes HTML from outside safe to show among our own: what is not listed here is taken out, looks
 * and scripts with it. Addresses of pictures stay, but are only followed where somebody asks.
 */
final class HtmlCleaner
{
    private const KEPT = [
        'p', 'br', 'div', 'span', 'b', 'strong', 'i', 'em', 'u', 's', 'del', 'ins', 'sub', 'sup', 'small', 'mark', 'code', 'pre', 'kbd',
        'ul',
        'ol',
        'li',
        'dl',
        'dt',
        'dd',
        'blockquote',
        'hr',
        'h1',
        'h2',
        'h3',
        'h4',
        'h5',
        'h6',
        'thead',
        'tbody',
        'tfoot',
        'tr',
        'table',
        'caption',
    ];

    private const UNWRAPPED = [
        'html', 'body', 'center', 'font', 'section', 'article', 'header', 'footer', 'main', 'nav', 'aside', 'form', 'fieldset',
        'label', 'address', 'big', 'tt', 'abbr', 'cite', 'q', 'figure', 'figcaption', 'details', 'summary', 'picture', 'time',
        'colgroup', 'wbr',
    ];

    private readonly HtmlSanitizer $sanitizer;

    public function __construct()
    {
        $config = (new HtmlSanitizerConfig)
            ->allowElement('a', ['href', 'title'])
            ->allowElement('img', ['src', 'alt', 'width', 'height'])
            ->allowElement('td', ['colspan', 'rowspan'])
            ->allowElement('th', ['colspan', 'rowspan'])
            ->allowLinkSchemes(['http', 'https', 'mailto', 'tel'])
            ->allowRelativeLinks(false)
            ->allowMediaSchemes(['http', 'https', 'cid'])
            ->allowRelativeMedias(false)
            ->forceAttribute('a', 'rel', 'noopener noreferrer nofollow')
            ->forceAttribute('a', 'target', '_blank')
            ->withMaxInputLength(-1);
        foreach (self::KEPT as $element) {
            $config = $config->allowElement($element);
        }
        foreach (self::UNWRAPPED as $element) {
            $config = $config->blockElement($element);
        }
        $this->sanitizer = new HtmlSanitizer($config);
    }

    public function clean(string $html): string
    {
        return trim($this->sanitizer->sanitize(HtmlLimits::apply($html)[0]));
    }
}
