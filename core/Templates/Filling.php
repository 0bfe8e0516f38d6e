<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

use Cairnfield\Core\Money\Money;
use Closure;
use DateTimeImmutable;

/**
 * A text while it is being filled.
 */
final class Filling
{
    private string $text = '';

    /** @var list<Gap> */
    private array $gaps = [];

    /**
     * @param  Closure(string): string  $escape  for values, where the text is HTML
     */
    public function __construct(private readonly Values $values, private readonly Wording $wording, private readonly Closure $escape) {}

    public function value(string $name): string|int|bool|Money|Day|DateTimeImmutable|Withheld|null
    {
        return $this->values->value($name);
    }

    public function text(string $name): string
    {
        return $this->wording->of($this->values->value($name));
    }

    public function write(string $text): void
    {
        $this->text .= $text;
    }

    public function writeValue(string $text): void
    {
        $this->text .= ($this->escape)($text);
    }

    /**
     * Left visible in the text, so that whoever writes sees where something is wanting.
     */
    public function leaveGap(string $name): void
    {
        $this->gaps[] = new Gap($name, substr_count($this->text, "\n") + 1);
        $this->text .= "{{ {$name} }}";
    }

    public function done(): FilledText
    {
        return new FilledText($this->text, $this->gaps);
    }
}
