<?php

declare(strict_types=1);

namespace App\Templates;

use App\Support\Row;

/**
 * A file that goes along with a template. Answers take it as it is when the template is put into them.
 *
 * @property int $id
 * @property int $template_id
 * @property string $name
 * @property string $media_type
 * @property int $size
 * @property string $sha256
 * @property string $file where its bytes are kept
 */
final class TemplateFile extends Row
{
    protected $table = 'template_files';

    public $timestamps = false;

    protected $guarded = ['*'];

    /**
     * As a draft has its files.
     *
     * @return array{name: string, type: string, size: int, sha256: string, file: string}
     */
    public function forDraft(): array
    {
        return [
            'name' => $this->name, 'type' => $this->media_type, 'size' => $this->size, 'sha256' => $this->sha256,
            'file' => $this->file,
        ];
    }
}
