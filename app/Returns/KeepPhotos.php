<?php

declare(strict_types=1);

namespace App\Returns;

use App\Support\FileStore;
use Illuminate\Http\UploadedFile;

/**
 * Keeps the pictures that the bench takes: by what they are, not by what they say they are.
 */
final readonly class KeepPhotos
{
    public const MOST = 12;

    /** Bytes of one photo. */
    public const LARGEST = 12 * 1024 * 1024;

    private const TYPES = ['image/png' => 'png', 'image/jpeg' => 'jpg', 'image/webp' => 'webp'];

    public function __construct(private FileStore $files) {}

    /**
     * @param  list<UploadedFile>  $uploads
     *
     * @throws ReturnRefused
     */
    public function keep(CustomerReturn $return, array $uploads): void
    {
        foreach ($uploads as $upload) {
            $name = mb_substr($upload->getClientOriginalName(), 0, 200);
            $upload->isValid() && (int) $upload->getSize() <= self::LARGEST || throw ReturnRefused::noPhoto("“{$name}”");
            $bytes = $upload->getContent();
            $type = (string) (new \finfo(FILEINFO_MIME_TYPE))->buffer(substr($bytes, 0, 4096));
            isset(self::TYPES[$type]) || throw ReturnRefused::noPhoto("“{$name}”");
            $return->photos()->count() < self::MOST || throw ReturnRefused::manyPhotos(self::MOST);
            ReturnPhoto::query()->insertOrIgnore([
                'return_id' => $return->id, 'name' => $name, 'media_type' => $type, 'size' => strlen($bytes),
                'sha256' => hash('sha256', $bytes), 'file' => $this->files->keep($bytes), 'at' => now(),
            ]);
        }
    }
}
