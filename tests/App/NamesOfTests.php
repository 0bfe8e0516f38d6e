<?php

declare(strict_types=1);

namespace Tests\App;

use App\Support\NameService;

/**
 * Every name leads outside, but those that a test says something else of.
 */
final class NamesOfTests implements NameService
{
    /** @var array<string, list<string>> */
    public array $addresses = ['localhost' => ['127.0.0.1', '::1'], 'nowhere.example' => [], '0x7f000001' => []];

    public function addressesOf(string $name): array
    {
        return $this->addresses[$name] ?? ['1.1.1.1'];
    }
}
