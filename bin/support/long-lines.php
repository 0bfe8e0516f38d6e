<?php

declare(strict_types=1);

/*
 * A part of the style check: lines can be read, at most 140 characters of them, in PHP, Blade and SCSS; and in SCSS, one
 * declaration stands on a line. Words and texts that are data (the core's tables, the demo's stories) are left alone.
 */

const MOST = 140;

$root = dirname(__DIR__, 2);
$problems = [];
$files = (string) shell_exec('cd '.escapeshellarg($root).' && git ls-files -z -co --exclude-standard');
foreach (explode("\0", trim($files, "\0")) as $path) {
    if (preg_match('#\.(php|scss)$#', $path) !== 1 || preg_match('#^core/.*/data/|^database/seeders/#', $path) === 1) {
        continue;
    }
    foreach (@file("{$root}/{$path}", FILE_IGNORE_NEW_LINES) ?: [] as $index => $line) {
        $at = $path.':'.($index + 1);
        if (mb_strlen($line) > MOST) {
            $problems[] = "{$at} has ".mb_strlen($line).' characters: at most '.MOST.' can be read.';
        }
        if (str_ends_with($path, '.scss') && preg_match('/^[^"(]*:[^"({]*;\s*[\w-]+\s*:/', $line) === 1) {
            $problems[] = "{$at} has more than one declaration: give each its line.";
        }
    }
}
echo implode("\n", $problems), $problems === [] ? '' : "\n";
exit($problems === [] ? 0 : 1);
