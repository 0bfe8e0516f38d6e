<?php

declare(strict_types=1);

/*
 * Which place of the application uses which, read from the code: a new folder is held to it without being listed here.
 */

/**
 * @return array<string, array<string, list<string>>> by place and the place that it uses: the classes, as `Class -> Other\\Class`
 */
function placesUsing(): array
{
    $root = dirname(__DIR__, 2).'/app';
    $uses = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, FilesystemIterator::SKIP_DOTS)) as $file) {
        if ($file->getExtension() !== 'php') {
            continue;
        }
        $path = substr($file->getPathname(), strlen($root) + 1, -4);
        $place = strtok($path, '/');
        preg_match_all(
            '/(?<![\\w\\\\])\\\\?App\\\\(\\w+)\\\\([\\w\\\\]+)/', (string) file_get_contents($file->getPathname()), $found,
            PREG_SET_ORDER
        );
        foreach ($found as [, $other, $class]) {
            if ($other !== $place) {
                $uses[$place][$other][] = basename($path)." -> {$other}\\{$class}";
            }
        }
    }

    return array_map(
        static fn (array $others): array => array_map(static fn (array $all): array => array_values(array_unique($all)), $others),
        $uses
    );
}

/** What a conversation is made of and moves through, from the bottom up: each uses only those before it. */
const UPWARDS = ['Channels', 'Conversations', 'Answering', 'Receiving', 'Queue'];

it('finds the places, and what they use', function (): void {
    expect(placesUsing())->toHaveKeys(UPWARDS)->and(placesUsing()['Receiving'])->toHaveKey('Conversations');
});

it('lets nobody reach into the page of a conversation but those who show it', function (): void {
    // To contribute a panel is to use what the page offers.
    $using = array_filter(placesUsing(), static fn (array $others): bool => preg_grep(
        '/Workspace\\\\(Panel|PanelPlace|Offer|WhatIsThere)$/', $others['Workspace'] ?? [], PREG_GREP_INVERT
    ) !== []);
    expect(array_diff(array_keys($using),
        ['Answering', 'Support', 'Views', 'Demo', 'Nudges', 'Rules', 'Joining', 'Refunds', 'Approvals']))->toBe([]);
});

it('has controllers used by routes alone', function (): void {
    $using = array_merge(
        ...array_map(static fn (array $others): array => array_merge(...array_values($others)), array_values(placesUsing()))
    );
    expect(array_values(preg_grep('/Controller$/', $using) ?: []))->toBe([]);
});

it('has the conversation know nothing of what is done with it', function (): void {
    $uses = placesUsing()['Conversations'];
    expect(
        array_intersect(
            array_keys($uses), ['Receiving', 'Answering', 'Queue', 'Joining', 'Workspace', 'Rules', 'Templates', 'Bulk', 'Views']
        )
    )->toBe([]);
});

it('has no circle among what a conversation moves through', function (): void {
    $uses = placesUsing();
    $downwards = [];
    foreach (UPWARDS as $index => $place) {
        foreach (array_slice(UPWARDS, $index + 1) as $above) {
            $downwards = [...$downwards, ...$uses[$place][$above] ?? []];
        }
    }
    expect($downwards)->toBe([], 'Call it the other way round, or by a contract.');
});

it('knows what is particular to a channel in its folder alone', function (): void {
    $root = dirname(__DIR__, 2);
    preg_match_all("/case (\\w+) = '(\\w+)';/", (string) file_get_contents("{$root}/app/Channels/Channel.php"), $channels);
    // That mail is the way to answer what takes no answers is known to all; the demo tells its stories.
    $names = implode('|', array_diff($channels[1], ['Email']));
    expect($names)->toContain('Pennon');
    $known = [];
    foreach (['app', 'resources/views', 'routes'] as $folder) {
        foreach (
            new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}", FilesystemIterator::SKIP_DOTS)) as $file
        ) {
            $path = substr($file->getPathname(), strlen($root) + 1);
            preg_match_all(
                "/Channel::({$names})\\b|'({$names})'/", (string) file_get_contents($file->getPathname()), $found, PREG_SET_ORDER
            );
            foreach ($found as $one) {
                $name = $one[2] ?? $one[1];
                if (! str_starts_with($path, 'app/Demo/') && ! str_starts_with($path, "app/Channels/{$name}/")) {
                    $known[] = "{$path}: {$one[0]}";
                }
            }
        }
    }
    // Calls are written down by whoever takes them: a page, which no other channel has.
    expect(array_values(preg_grep('#^app/Receiving/Calls/#', $known, PREG_GREP_INVERT)))->toBe([]);
});
