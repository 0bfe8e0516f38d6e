<?php

declare(strict_types=1);

namespace App\Returns;

use App\Support\FileStore;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\HeaderUtils;

/**
 * Labels and photos of returns. The label a customer fetches by a key that only they were told.
 */
final readonly class ReturnFilesController
{
    public function __construct(private FileStore $files) {}

    public function label(CustomerReturn $return): Response
    {
        abort_if($return->label_file === null, 404);

        return $this->pdf($return);
    }

    public function customersLabel(string $key): Response
    {
        $return = CustomerReturn::query()->where('label_key', $key)->firstOrFail();
        if ($return->label_file === null || ! $return->state->isExpected()) {
            $isComing = $return->state->isExpected();
            [$language, $title, $said] = LabelWords::in($return->customer?->language, $isComing);

            return response()->view('returns.no-label', ['language' => $language, 'title' => $title, 'said' => $said], $isComing ? 503
                : 410);
        }

        return $this->pdf($return);
    }

    public function photo(ReturnPhoto $photo): Response
    {
        return $this->file($this->files->read($photo->file), $photo->media_type, $photo->name);
    }

    private function pdf(CustomerReturn $return): Response
    {
        return $this->file($this->files->read((string) $return->label_file), 'application/pdf', "label-{$return->number()}.pdf", true);
    }

    private function file(string $bytes, string $type, string $name, bool $isSaved = false): Response
    {
        $plain = (string) preg_replace('/[^A-Za-z0-9._-]+/', '_', $name);

        return response($bytes, 200, [
            'Content-Type' => $type, 'Content-Security-Policy' => "default-src 'none'; sandbox",
            'Cache-Control' => 'private, max-age=86400',
            'Content-Disposition' => HeaderUtils::makeDisposition(
                $isSaved ? HeaderUtils::DISPOSITION_ATTACHMENT : HeaderUtils::DISPOSITION_INLINE, str_replace(['/', '\\'], '_', $name),
                $plain
            ),
        ]);
    }
}
