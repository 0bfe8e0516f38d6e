<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\Attachment;
use App\Conversations\Message;
use App\Support\FileStore;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\HeaderUtils;

/**
 * Hands out files from outside so that a browser saves them and never runs them.
 */
final readonly class AttachmentController
{
    /** Pictures that browsers only draw. Everything else is saved. */
    private const DRAWN = ['image/png', 'image/jpeg', 'image/gif', 'image/webp'];

    public function __construct(private FileStore $files) {}

    public function show(Attachment $attachment): Response
    {
        Gate::authorize('view', $attachment->message()->firstOrFail()->conversation()->firstOrFail());
        $bytes = $this->files->read($attachment->file);
        // By what it is, not by what it says it is.
        $type = (string) (new \finfo(FILEINFO_MIME_TYPE))->buffer(substr($bytes, 0, 4096));

        return in_array($type, self::DRAWN, true)
            ? $this->file($bytes, $attachment->name, $type, HeaderUtils::DISPOSITION_INLINE)
            : $this->file($bytes, $attachment->name, 'application/octet-stream', HeaderUtils::DISPOSITION_ATTACHMENT);
    }

    public function original(Message $message): Response
    {
        $conversation = $message->conversation()->firstOrFail();
        Gate::authorize('view', $conversation);
        abort_if($message->original === null, 404);

        return $this->file(
            $this->files->read($message->original),
            "{$conversation->number()}-{$message->id}.eml",
            'application/octet-stream',
            HeaderUtils::DISPOSITION_ATTACHMENT,
        );
    }

    private function file(string $bytes, string $name, string $type, string $disposition): Response
    {
        $plain = (string) preg_replace('/[^A-Za-z0-9._ -]+/', '_', $name);

        return response($bytes, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => HeaderUtils::makeDisposition($disposition, str_replace(['/', '\\'], '_', $name), $plain),
            'Content-Security-Policy' => "default-src 'none'; sandbox",
            'Cache-Control' => 'private, max-age=86400',
        ]);
    }
}
