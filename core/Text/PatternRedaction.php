<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Takes numbers out of a text that a team does not want to keep, by masks of its own, such as
 * `######-####` for a personal number. What it finds becomes `[personal number …1234]`.
 */
final readonly class PatternRedaction
{
    /**
     * @param  array<string, NumberMask>  $masks  by the name that is put in place
     */
    private function __construct(private array $masks) {}

    /**
     * @param  array<string, string>  $masks  by the name that is put in place
     *
     * @throws TextRefused bad_mask
     */
    public static function of(array $masks): self
    {
        return new self(array_map(NumberMask::of(...), $masks));
    }

    /**
     * @return array{string, list<array{name: string, last4: string}>} the text, and what was taken out
     */
    public function redact(string $text): array
    {
        $found = [];
        foreach ($this->masks as $name => $mask) {
            foreach (array_reverse($mask->places($text)) as [$written, $start]) {
                $last4 = mb_substr((string) preg_replace('/[^\pL\pN]/u', '', $written), -4);
                $text = substr_replace($text, "[{$name} …{$last4}]", $start, strlen($written));
                array_unshift($found, ['name' => $name, 'last4' => $last4]);
            }
        }

        return [$text, $found];
    }
}
