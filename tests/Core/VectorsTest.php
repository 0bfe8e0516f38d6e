<?php

declare(strict_types=1);

use Cairnfield\Core\Reckon\Reckoner;

/**
 * @return array<string, array{string, stdClass}>
 */
function vectors(): array
{
    $cases = [];
    foreach (glob(__DIR__.'/vectors/*.jsonl') ?: [] as $file) {
        foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            $vector = json_decode($line);
            $cases["{$vector->calc}: {$vector->name}"] = [$vector->calc, $vector];
        }
    }

    return $cases;
}

it('works out each worked case', function (string $name, stdClass $vector): void {
    $calculation = Reckoner::calculation($name);
    expect($calculation)->not->toBeNull();
    $result = Reckoner::answer($calculation, (string) json_encode($vector->in));
    $expected = json_decode((string) json_encode($vector->out), true);
    if (isset($expected['error'])) {
        expect($result['error']['code'] ?? null)->toBe($expected['error']['code']);
    } else {
        expect(array_intersect_key($result, $expected))->toEqualCanonicalizing($expected)
            ->and(json_encode(array_intersect_key($result, $expected)))->toBe(json_encode($expected));
    }
})->with(vectors());

it('has worked cases for every calculation it names', function (): void {
    $named = array_map(static fn (string $file): string => basename($file, '.jsonl'), glob(__DIR__.'/vectors/*.jsonl') ?: []);
    expect(Reckoner::names())->toEqualCanonicalizing($named);
});
