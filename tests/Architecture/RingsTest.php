<?php

declare(strict_types=1);

arch('the core knows nothing but PHP and exact numbers')
    ->expect('Cairnfield\Core')
    ->toOnlyUse(['Cairnfield\Core', 'Brick\Math']);

arch('the core has no clock, no files and no network of its own')
    ->expect('Cairnfield\Core')
    ->not->toUse(['time', 'microtime', 'date', 'now', 'file_get_contents', 'fopen', 'curl_init', 'getenv', 'env', 'config']);

arch('the core is strict')->expect('Cairnfield\Core')->toUseStrictTypes();
arch('the application is strict')->expect('App')->toUseStrictTypes();

arch('the application does not reach into the simulated world')->expect('App')->not->toUse('Standins');

arch('classes are final unless made to be extended')
    ->expect(['App', 'Cairnfield\Core'])
    ->classes()
    ->toBeFinal()
    ->ignoring([
        'Cairnfield\Core\Refusal', 'App\Conversations\Changes\Change', 'App\Conversations\Journal\Payload',
        'App\Channels\ChannelType', 'App\Channels\Services\ServiceType', 'App\Support\RegularJob', 'App\Support\Refused',
        'App\Support\Row',
    ]);

arch('nothing is left in that a developer looked with')
    ->expect(['App', 'Cairnfield\Core'])
    ->not->toUse(['dd', 'dump', 'var_dump', 'print_r']);

arch('the environment is read in configuration files only')->expect('App')->not->toUse('env');

it('keeps the simulated world free of the application', function (): void {
    $files = glob(dirname(__DIR__, 2).'/standins/*/*.js') ?: [];
    expect($files)->not->toBeEmpty();
    foreach ($files as $file) {
        expect((string) file_get_contents($file))->not->toMatch('~(\.\./\.\.|artisan|/app/|mysql|mariadb)~');
    }
});

it('names no host of its own in the code', function (): void {
    $root = dirname(__DIR__, 2);
    foreach ([...(glob("{$root}/app/*/*.php") ?: []), ...(glob("{$root}/app/*/*/*.php") ?: [])] as $file) {
        if (! str_contains($file, '/Demo/')) {
            expect((string) file_get_contents($file))->not->toMatch('/localhost|127\.0\.0\.1/');
        }
    }
});
