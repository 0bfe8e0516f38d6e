<?php

declare(strict_types=1);

use App\Support\PlainRow;
use App\Support\Row;
use Illuminate\Database\Eloquent\Attributes\Boot;
use Illuminate\Database\Eloquent\Attributes\Initialize;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Schema;

/*
 * What models share is what the framework would have worked out for each.
 */

dataset('models', function (): Generator {
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 3).'/app')) as $file) {
        $class = 'App\\'.strtr(substr($file->getPathname(), strlen(dirname(__DIR__, 3).'/app/'), -4), '/', '\\');
        if ($file->getExtension() === 'php' && is_subclass_of($class, Row::class) && ! (new ReflectionClass($class))->isAbstract()) {
            yield $class => [$class];
        }
    }
});

it('begins with all that the framework begins each with, and with nothing that it does not', function (string $class): void {
    new $class;
    $begun = Closure::bind(static fn (): array => Model::$traitInitializers[$class], null, Model::class)();
    $traits = array_map(class_basename(...), class_uses_recursive($class));
    $names = static fn (string $prefix): array => array_map(static fn (string $trait): string => $prefix.$trait, $traits);
    $has = static fn (string $attribute, string $prefix): array => array_values(array_map(
        static fn (ReflectionMethod $method): string => $method->getName(),
        array_filter(
            (new ReflectionClass($class))->getMethods(),
            static fn (ReflectionMethod $method): bool => $method->getAttributes($attribute) !== []
                || in_array($method->getName(), $names($prefix), true)
        )
    ));
    // What the framework itself boots reads these attributes, which none of ours has.
    $attributes = array_map(
        static fn (ReflectionAttribute $one): string => class_basename($one->getName()), (new ReflectionClass($class))->getAttributes()
    );
    expect($begun)->toEqualCanonicalizing($has(Initialize::class, 'initialize'))
        ->and(array_diff($has(Boot::class, 'boot'), ['bootHasEvents', 'bootHasGlobalScopes']))->toBe([])
        ->and(array_intersect($attributes, ['ObservedBy', 'ScopedBy']))->toBe([]);
})->with('models');

it('names its table, since that would be worked out for each query', function (string $class): void {
    $named = (new ReflectionClass($class))->getDefaultProperties()['table'];
    expect($class === PlainRow::class || ($named !== null && Schema::hasTable($named)))->toBeTrue();
})->with('models');
