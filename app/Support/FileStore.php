<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Contracts\Filesystem\Factory;
use Illuminate\Contracts\Filesystem\Filesystem;
use Throwable;

/**
 * Keeps bytes under the name of their SHA-256, compressed, on the disk that is configured. What is
 * kept twice is stored once; nothing kept here is ever changed.
 */
final readonly class FileStore
{
    /** Bytes that are written to see whether there is room. */
    private const PROBE = 65_536;

    private Filesystem $disk;

    public function __construct(Factory $disks)
    {
        $this->disk = $disks->disk();
    }

    /**
     * Safe to repeat, and safe to be killed in: a file appears under its name only once it is whole.
     *
     * @return string the name to read it back by
     *
     * @throws NotStored when there is no room, or the store is away
     */
    public function keep(string $bytes): string
    {
        $hash = hash('sha256', $bytes);
        $name = substr($hash, 0, 2)."/{$hash}.gz";
        $arriving = 'arriving/'.RandomUuid::make();
        try {
            if (! $this->disk->exists($name)) {
                $this->disk->put($arriving, (string) gzencode($bytes, 6)) && $this->disk->move($arriving, $name)
                    || throw NotStored::now();
            }
        } catch (Throwable $fault) {
            report($fault);
            // Half of it takes the room that is missing.
            rescue(fn () => $this->disk->delete($arriving), false, false);
            throw NotStored::now();
        }

        return $name;
    }

    /**
     * Whether something can be kept just now.
     */
    public function hasRoom(): bool
    {
        $probe = 'arriving/'.RandomUuid::make();
        try {
            return $this->disk->put($probe, str_repeat("\0", self::PROBE)) && $this->disk->size($probe) === self::PROBE;
        } catch (Throwable) {
            return false;
        } finally {
            rescue(fn () => $this->disk->delete($probe), false, false);
        }
    }

    /**
     * @throws FileGone
     */
    public function read(string $name): string
    {
        $bytes = $this->disk->exists($name) ? @gzdecode((string) $this->disk->get($name)) : false;

        return $bytes === false ? throw FileGone::named($name) : $bytes;
    }
}
