<?php

declare(strict_types=1);

namespace App\Templates;

use App\Answering\KeepDraft;
use App\Support\FileStore;
use App\Team\SignedIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;

/**
 * The files that go along with a template.
 */
final readonly class TemplateFilesController
{
    use ChoosesTemplates;

    public function __construct(private SaveTemplate $save, private KeepDraft $keepDraft, private FileStore $files) {}

    public function store(Request $request, int $template): RedirectResponse
    {
        $found = $this->changeable($request, $template);
        $upload = $request->file('file');
        if (! $upload instanceof UploadedFile) {
            return redirect("/templates/{$found->id}")->with('problem', 'Choose a file first.');
        }
        $file = $this->keepDraft->file($upload, (int) $found->files()->sum('size'));
        $isReplaced = $found->files()->where('name', $file['name'])->exists();
        $this->save->attach($found, $file, SignedIn::teammate($request));

        return redirect("/templates/{$found->id}")->with(
            'done',
            $isReplaced
                ? "“{$file['name']}” is replaced: answers take the new one from now on."
                : "“{$file['name']}” goes along from now on."
        );
    }

    public function show(Request $request, int $template, int $file): Response
    {
        $found = $this->seen($request, $template)->files()->findOrFail($file);

        return response($this->files->read($found->file), 200, [
            'Content-Type' => 'application/octet-stream',
            'Content-Disposition' => 'attachment; filename="file"; filename*=UTF-8\'\''.rawurlencode($found->name),
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }

    public function destroy(Request $request, int $template, int $file): RedirectResponse
    {
        $found = $this->changeable($request, $template);
        $row = $found->files()->findOrFail($file);
        $this->save->detach($row, SignedIn::teammate($request));

        return redirect("/templates/{$found->id}")->with('done', "“{$row->name}” no longer goes along.");
    }
}
