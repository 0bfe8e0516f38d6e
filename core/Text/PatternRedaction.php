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
     * Where two masks find the same, the first counts.
     *
     * @param  string  $text  UTF-8
     * @return list<array{start: int, length: int, name: string, last4: string}> in order of place, in bytes, apart from each other
     */
    public function find(string $text): array
    {
        $found = [];
        foreach ($this->masks as $name => $mask) {
            foreach ($mask->places($text) as [$written, $start]) {
                $found[] = [
                    'start' => $start, 'length' => strlen($written), 'name' => (string) $name,
                    'last4' => mb_substr((string) preg_replace('/[^\pL\pN]/u', '', $written), -4),
                ];
            }
        }
        // A stable sort: of those that begin at one place the first mask's stays first.
        usort($found, static fn (array $a, array $b): int => $a['start'] <=> $b['start']);
        $apart = [];
        $end = 0;
        foreach ($found as $one) {
            if ($one['start'] >= $end) {
                $apart[] = $one;
                $end = $one['start'] + $one['length'];
            }
        }

        return $apart;
    }

    /**
     * @return array{string, list<array{name: string, last4: string}>} the text, and what was taken out
     */
    public function redact(string $text): array
    {
        $found = $this->find($text);
        $text = Places::replace($text, array_map(
            static fn (array $one): array => [$one['start'], $one['length'], self::mark($one)], $found
        ));

        return [$text, array_map(static fn (array $one): array => ['name' => $one['name'], 'last4' => $one['last4']], $found)];
    }

    /**
     * What is put in its place.
     *
     * @param  array{start: int, length: int, name: string, last4: string}  $found
     */
    public static function mark(array $found): string
    {
        return "[{$found['name']} …{$found['last4']}]";
    }
}
