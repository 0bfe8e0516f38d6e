<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * `{{ customer.first_name | "there" }}`: the first of these that there is.
 */
final readonly class Placeholder implements Part
{
    /**
     * @param  non-empty-list<string>  $names  in the order in which they are tried
     * @param  string|null  $fallback  what is written where none of them is filled
     * @param  string  $at  line and column
     */
    public function __construct(public array $names, public ?string $fallback, public string $at) {}

    public function fill(Filling $filling): void
    {
        foreach ($this->names as $name) {
            $text = $filling->text($name);
            if ($text !== '') {
                $filling->writeValue($text);

                return;
            }
        }
        if ($this->fallback !== null) {
            $filling->writeValue($this->fallback);
        } else {
            $filling->leaveGap($this->names[0]);
        }
    }

    public function placeholders(): array
    {
        return [$this];
    }
}
