<?php

declare(strict_types=1);

namespace App\History;

use FilesystemIterator;
use Generator;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;
use ZipArchive;

/**
 * Reads messages from a folder, with what is in it, or from a zip file of one. Places are counted in
 * messages, in the order of their names.
 */
final readonly class EmlFolderReader implements ReadsHistory
{
    public function __construct(private string $path, private int $largest) {}

    public function size(): int
    {
        return is_dir($this->path) ? count($this->files()) : count($this->entries($this->zip()));
    }

    public function from(int $position): Generator
    {
        if (is_dir($this->path)) {
            foreach (array_slice($this->files(), $position) as $offset => $file) {
                yield $this->item(
                    substr($file, strlen($this->path) + 1), $position + $offset + 1, (int) filesize($file),
                    static fn (): string|false => file_get_contents($file)
                );
            }

            return;
        }
        $zip = $this->zip();
        foreach (array_slice($this->entries($zip), $position) as $offset => [$index, $name, $size]) {
            // The size is what the archive says; never more than that is unpacked.
            yield $this->item($name, $position + $offset + 1, $size, static fn (): string|false => $zip->getFromIndex($index, $size));
        }
        $zip->close();
    }

    /**
     * @param  callable(): (string|false)  $read
     */
    private function item(string $name, int $next, int $size, callable $read): HistoryItem
    {
        if ($size > $this->largest) {
            return new HistoryItem($name, $next, problem: 'It is larger than '.intdiv($this->largest, 1024 * 1024).' MB.');
        }
        $raw = $read();

        return $raw === false
            ? new HistoryItem($name, $next, problem: 'It could not be read from the disk or the archive.')
            : new HistoryItem($name, $next, $raw);
    }

    /**
     * @return list<string>
     */
    private function files(): array
    {
        $files = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($this->path, FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof SplFileInfo && $file->isFile() && strtolower($file->getExtension()) === 'eml') {
                $files[] = $file->getPathname();
            }
        }
        sort($files);

        return $files;
    }

    private function zip(): ZipArchive
    {
        $zip = new ZipArchive;
        if ($zip->open($this->path, ZipArchive::RDONLY) !== true) {
            throw HistoryRefused::unreadableFile(basename($this->path), 'it is no zip file, or a damaged one.');
        }

        return $zip;
    }

    /**
     * @return list<array{int, string, int}> index, name and size
     */
    private function entries(ZipArchive $zip): array
    {
        $entries = [];
        for ($index = 0; $index < $zip->numFiles; $index++) {
            $entry = $zip->statIndex($index);
            if ($entry !== false && str_ends_with(strtolower($entry['name']), '.eml')) {
                $entries[] = [$index, mb_scrub($entry['name'], 'UTF-8'), (int) $entry['size']];
            }
        }
        usort($entries, static fn (array $a, array $b): int => $a[1] <=> $b[1]);

        return $entries;
    }
}
