<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Takes card numbers (ISO/IEC 7812, by the Luhn check) and bank account numbers (ISO 13616, by
 * mod 97) out of a text. Bank accounts are looked for first, cards in what they left. Widely, also
 * those that are broken or written in another way: see `WideFinder`.
 */
final readonly class Redaction
{
    /**
     * @param  list<SecretKind>  $kinds  the kinds to look for; others stay
     */
    private function __construct(private array $kinds, private bool $isWide = false) {}

    public static function of(SecretKind ...$kinds): self
    {
        return new self(array_values($kinds));
    }

    public function widely(): self
    {
        return new self($this->kinds, true);
    }

    /**
     * @param  string  $text  UTF-8
     */
    public function redact(string $text): RedactedText
    {
        $found = match (true) {
            ! in_array(SecretKind::Iban, $this->kinds, true) => [],
            $this->isWide => WideFinder::accounts($text),
            default => IbanFinder::find($text),
        };
        if (in_array(SecretKind::Card, $this->kinds, true)) {
            array_push($found, ...($this->isWide ? WideFinder::cards($text, $found) : CardFinder::find($text, $found)));
        }
        usort($found, static fn (FoundSecret $a, FoundSecret $b): int => $a->start <=> $b->start);

        return new RedactedText(Places::replace($text, Places::each(
            $found, static fn (FoundSecret $secret): string => $secret->kind->mark($secret->last4)
        )), $found);
    }
}
