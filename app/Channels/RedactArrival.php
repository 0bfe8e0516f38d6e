<?php

declare(strict_types=1);

namespace App\Channels;

use App\Support\StoreSettings;
use Cairnfield\Core\Text\FoundSecret;
use Cairnfield\Core\Text\PatternRedaction;
use Cairnfield\Core\Text\Redaction;
use Cairnfield\Core\Text\SecretKind;

/**
 * Takes card numbers, bank accounts and the numbers that the team has set out of what arrives.
 */
final readonly class RedactArrival
{
    /** The setting's name: masks by the word that is put in their place. */
    public const PATTERNS = 'redaction.patterns';

    public function __construct(private StoreSettings $settings) {}

    /**
     * @param  list<array{kind: string, last4: string}>  $found  added to
     */
    public function text(string $text, array &$found): string
    {
        if (preg_match('/\d/', $text) !== 1) {
            return $text;
        }
        $redacted = Redaction::of(SecretKind::Card, SecretKind::Iban)->redact($text);
        array_push($found, ...array_map(
            static fn (FoundSecret $secret): array => ['kind' => $secret->kind->value, 'last4' => $secret->last4],
            $redacted->found,
        ));
        $masks = $this->settings->get(self::PATTERNS, []);
        if (! is_array($masks) || $masks === []) {
            return $redacted->text;
        }
        [$left, $own] = PatternRedaction::of($masks)->redact($redacted->text);
        array_push($found, ...array_map(static fn (array $one): array => ['kind' => $one['name'], 'last4' => $one['last4']], $own));

        return $left;
    }

    /**
     * HTML that is cleaned already, text by text between its tags. Where a number is spread over several
     * tags or stands in one, it cannot be taken out: then there is no HTML, and the plain text is shown.
     *
     * @param  list<array{kind: string, last4: string}>  $found  added to
     */
    public function html(string $html, array &$found): ?string
    {
        if (preg_match('/\d/', $html) !== 1) {
            return $html;
        }
        $parts = preg_split('/(<[^>]*>)/', $html, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [];
        $changed = '';
        foreach ($parts as $part) {
            if (str_starts_with($part, '<')) {
                $changed .= $part;

                continue;
            }
            $before = count($found);
            $text = $this->text(html_entity_decode($part, ENT_QUOTES | ENT_HTML5, 'UTF-8'), $found);
            $changed .= count($found) > $before ? e($text) : $part;
        }
        $left = [];
        $this->text(html_entity_decode(strip_tags($changed), ENT_QUOTES | ENT_HTML5, 'UTF-8'), $left);
        preg_match_all('/(?:href|alt|title|src)="([^"]*)"/', $changed, $attributes);
        foreach ($attributes[1] as $attribute) {
            $this->text(rawurldecode(html_entity_decode($attribute, ENT_QUOTES | ENT_HTML5, 'UTF-8')), $left);
        }
        array_push($found, ...$left);

        return $left === [] ? $changed : null;
    }
}
