<?php

declare(strict_types=1);

namespace App\History;

/**
 * Which line of a file a byte stands in. Counted on from where it was asked last, so that a file is gone through once.
 */
final class LinesBefore
{
    private const PIECE = 1_048_576;

    private int $counted = 0;

    private int $lines = 0;

    public function __construct(private readonly string $path) {}

    /**
     * @param  int  $position  not before the one that was asked last
     * @return int from 1
     */
    public function lineAt(int $position): int
    {
        $file = @fopen($this->path, 'rb');
        if ($file !== false) {
            fseek($file, $this->counted);
            while ($this->counted < $position) {
                $piece = (string) fread($file, max(1, min(self::PIECE, $position - $this->counted)));
                if ($piece === '') {
                    break;
                }
                $this->lines += substr_count($piece, "\n");
                $this->counted += strlen($piece);
            }
            fclose($file);
        }

        return $this->lines + 1;
    }
}
