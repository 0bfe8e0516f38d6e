<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Support\Row;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $message_id
 * @property string $name
 * @property string $media_type
 * @property int $size
 * @property string $sha256
 * @property string|null $content_id
 * @property bool $inline
 * @property string $file
 * @property Message $message
 */
final class Attachment extends Row
{
    protected $table = 'attachments';

    protected $guarded = ['*'];

    /**
     * @return BelongsTo<Message, $this>
     */
    public function message(): BelongsTo
    {
        return $this->belongsTo(Message::class);
    }

    public static function sizeText(int $bytes): string
    {
        return match (true) {
            $bytes >= 1048576 => sprintf('%.1f MB', $bytes / 1048576),
            $bytes >= 1024 => sprintf('%d kB', intdiv($bytes, 1024)),
            default => "{$bytes} bytes",
        };
    }

    protected function casts(): array
    {
        return ['inline' => 'boolean'];
    }
}
