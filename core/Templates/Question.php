<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

use Cairnfield\Core\Text\Folding;

/**
 * What an `if` asks about one value: whether it is there, what it is, or how large.
 */
final readonly class Question
{
    private const FORM = '/^(?<not>not\h+)?(?<name>'
        .TemplateText::NAME
        .')(?:\h+(?:(?<is>is(?:\h+not)?)\h+"(?<text>[^"]*)"|(?<size>at least|at most|more than|less than)\h+(?<number>-?\d{1,9})))?$/uD';

    private function __construct(
        public string $name,
        public bool $not,
        private string $comparison,
        private string $text,
        private int $number,
        public string $at,
    ) {}

    /**
     * @param  string  $at  line and column
     *
     * @throws TemplateRefused `bad_test`
     */
    public static function read(string $written, string $at): self
    {
        $written = trim((string) preg_replace('/[\h\v]+/u', ' ', $written));
        if (preg_match(self::FORM, $written, $parts) !== 1) {
            throw TemplateRefused::noTest($written, $at);
        }
        $is = (string) preg_replace('/\h+/u', ' ', $parts['is'] ?? '');

        return new self(
            $parts['name'], $parts['not'] !== '' xor $is === 'is not', $is !== '' ? 'is' : $parts['size'] ?? '',
            Folding::fold($parts['text'] ?? ''), (int) ($parts['number'] ?? 0), $at
        );
    }

    /**
     * Whether it cannot be answered without giving away what is not to be told.
     */
    public function isWithheld(Filling $filling): bool
    {
        $value = $filling->value($this->name);

        return $value === Withheld::Fact || ($value === Withheld::Text && $this->comparison !== '');
    }

    public function holds(Filling $filling): bool
    {
        $value = $filling->value($this->name);
        $isNumber = is_int($value);
        $holds = match ($this->comparison) {
            'is' => Folding::fold($filling->text($this->name)) === $this->text || (
                is_string($value) && Folding::fold($value) === $this->text
            ),
            'at least' => $isNumber && $value >= $this->number,
            'at most' => $isNumber && $value <= $this->number,
            'more than' => $isNumber && $value > $this->number,
            'less than' => $isNumber && $value < $this->number,
            // A number is there also where it is none; “if customer.orders” asks for more than nothing.
            default => $isNumber ? $value !== 0 : $filling->text($this->name) !== '',
        };

        return $holds !== $this->not;
    }
}
