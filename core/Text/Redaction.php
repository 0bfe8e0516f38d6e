<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Takes card numbers (ISO/IEC 7812, by the Luhn check) and bank account numbers (ISO 13616, by
 * mod 97) out of a text. Bank accounts are looked for first, cards in what they left.
 */
final readonly class Redaction
{
    /**
     * @param  list<SecretKind>  $kinds  the kinds to look for; others stay
     */
    private function __construct(private array $kinds) {}

    public static function of(SecretKind ...$kinds): self
    {
        return new self(array_values($kinds));
    }

    /**
     * @param  string  $text  UTF-8
     */
    public function redact(string $text): RedactedText
    {
        $found = in_array(SecretKind::Iban, $this->kinds, true) ? IbanFinder::find($text) : [];
        if (in_array(SecretKind::Card, $this->kinds, true)) {
            array_push($found, ...CardFinder::find($text, $found));
        }
        usort($found, static fn (FoundSecret $a, FoundSecret $b): int => $a->start <=> $b->start);

        $redacted = '';
        $from = 0;
        foreach ($found as $secret) {
            $redacted .= substr($text, $from, $secret->start - $from).$secret->kind->mark($secret->last4);
            $from = $secret->end();
        }

        return new RedactedText($redacted.substr($text, $from), $found);
    }
}
