<?php

declare(strict_types=1);

namespace App\Conversations;

use DOMDocument;
use DOMElement;
use DOMNode;
use DOMXPath;

/**
 * A received message's cleaned HTML, made ready to show: inline pictures from our own store, remote
 * ones only where asked for, the quoted earlier text apart so that it can be folded away.
 */
final class MessageHtml
{
    private int $remotePictures = 0;

    private string $quoted = '';

    private string $written;

    private function __construct(Message $message, private readonly bool $showRemotePictures)
    {
        $document = new DOMDocument;
        @$document->loadHTML('<?xml encoding="UTF-8"><body>'.$message->html, LIBXML_NONET | LIBXML_NOERROR | LIBXML_COMPACT);
        $body = $document->getElementsByTagName('body')->item(0);
        if ($body === null) {
            $this->written = nl2br(e($message->text));

            return;
        }
        $this->settlePictures($body, $message);
        $this->markLinks($body);
        $this->quoted = $this->takeOutQuoted($body);
        $this->written = $this->inner($body);
    }

    public static function of(Message $message, bool $showRemotePictures): self
    {
        return new self($message, $showRemotePictures);
    }

    public function written(): string
    {
        return $this->written;
    }

    public function quoted(): string
    {
        return $this->quoted;
    }

    /**
     * How many pictures from elsewhere are not shown.
     */
    public function unshownPictures(): int
    {
        return $this->showRemotePictures ? 0 : $this->remotePictures;
    }

    /**
     * A link that is written as one place and leads to another says so.
     */
    private function markLinks(DOMElement $body): void
    {
        // Found at once: the list by name is gone through from its beginning for each of them.
        foreach ((new DOMXPath($body->ownerDocument))->query('.//a[@href]', $body) ?: [] as $link) {
            if (! $link instanceof DOMElement) {
                continue;
            }
            $leadsTo = LinkTarget::unlike($link->getAttribute('href'), $link->textContent);
            $mark = $leadsTo === null ? null : $link->ownerDocument?->createElement('span');
            if ($mark !== null) {
                $mark->setAttribute('class', 'link-elsewhere');
                $mark->appendChild($mark->ownerDocument->createTextNode(" (leads to {$leadsTo})"));
                $link->parentNode?->insertBefore($mark, $link->nextSibling);
            }
        }
    }

    private function settlePictures(DOMElement $body, Message $message): void
    {
        $ours = $message->attachments->whereNotNull('content_id')->keyBy('content_id');
        foreach (iterator_to_array($body->getElementsByTagName('img')) as $picture) {
            $source = $picture->getAttribute('src');
            if (str_starts_with(strtolower($source), 'cid:')) {
                $attachment = $ours->get(rawurldecode(substr($source, 4))) ?? $ours->get(substr($source, 4));
                $attachment === null ? $picture->removeAttribute('src') : $picture->setAttribute('src', "/attachments/{$attachment->id}");
            } elseif ($source !== '') {
                $this->remotePictures++;
                $this->settleRemote($picture);
            }
            if (! $picture->hasAttribute('alt')) {
                $picture->setAttribute('alt', '');
            }
        }
    }

    private function settleRemote(DOMElement $picture): void
    {
        if ($this->showRemotePictures) {
            $picture->setAttribute('referrerpolicy', 'no-referrer');

            return;
        }
        $alternative = $picture->getAttribute('alt');
        $text = $picture->ownerDocument?->createTextNode($alternative === '' ? '' : "[{$alternative}]");
        if ($text !== null) {
            $picture->parentNode?->replaceChild($text, $picture);
        }
    }

    /**
     * Takes out a quoted block that nothing is written below, with the line that introduces it.
     */
    private function takeOutQuoted(DOMElement $body): string
    {
        $quote = null;
        foreach ($body->getElementsByTagName('blockquote') as $block) {
            if (! $this->hasTextAfter($block, $body)) {
                $quote = $block;
                break;
            }
        }
        if ($quote === null || ! $this->hasTextBefore($quote, $body)) {
            return '';
        }
        $introduction = $this->introduction($quote);
        $html = ($introduction === null ? '' : $this->outer($introduction)).$this->outer($quote);
        $introduction?->parentNode?->removeChild($introduction);
        $quote->parentNode?->removeChild($quote);

        return $html;
    }

    private function introduction(DOMElement $quote): ?DOMNode
    {
        $before = $quote->previousSibling;
        while ($before !== null && (trim($before->textContent) === '' || $before->nodeName === 'br')) {
            $before = $before->previousSibling;
        }

        return $before !== null && mb_strlen(trim($before->textContent)) < 250 && str_ends_with(trim($before->textContent), ':')
            ? $before
            : null;
    }

    private function hasTextAfter(DOMNode $node, DOMElement $body): bool
    {
        for ($at = $node; $at !== null && ! $at->isSameNode($body); $at = $at->parentNode) {
            for ($next = $at->nextSibling; $next !== null; $next = $next->nextSibling) {
                if (trim(str_replace("\u{A0}", '', $next->textContent)) !== '') {
                    return true;
                }
            }
        }

        return false;
    }

    private function hasTextBefore(DOMNode $node, DOMElement $body): bool
    {
        for ($at = $node; $at !== null && ! $at->isSameNode($body); $at = $at->parentNode) {
            for ($previous = $at->previousSibling; $previous !== null; $previous = $previous->previousSibling) {
                if (trim($previous->textContent) !== '') {
                    return true;
                }
            }
        }

        return false;
    }

    private function inner(DOMElement $element): string
    {
        $html = '';
        foreach ($element->childNodes as $child) {
            $html .= $this->outer($child);
        }

        return trim($html);
    }

    private function outer(DOMNode $node): string
    {
        return (string) $node->ownerDocument?->saveHTML($node);
    }
}
