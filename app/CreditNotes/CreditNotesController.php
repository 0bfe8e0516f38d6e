<?php

declare(strict_types=1);

namespace App\CreditNotes;

use App\Support\FileStore;
use App\Team\SignedIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final readonly class CreditNotesController
{
    public function __construct(private FileStore $files, private CorrectCreditNote $correct) {}

    public function show(CreditNote $note): Response
    {
        abort_if($note->file === null, 404);

        return $this->pdf($note);
    }

    /**
     * For the customer, by a key that only they were told.
     */
    public function customers(string $key): Response
    {
        $note = CreditNote::query()->where('link_key', $key)->whereNotNull('file')->firstOrFail();

        return $this->pdf($note);
    }

    public function correct(Request $request, CreditNote $note): RedirectResponse
    {
        $written = $request->validate(['name' => ['nullable', 'string', 'max:200'], 'address' => ['nullable', 'string', 'max:500']]);
        $right = $this->correct->correct($note, (string) ($written['name'] ?? ''), (string) ($written['address'] ?? ''),
            SignedIn::teammate($request));

        return redirect("/refunds/{$note->refund_id}")
            ->with('done', "{$note->title()} is taken back, and {$right->title()} stands in its place.");
    }

    private function pdf(CreditNote $note): Response
    {
        return response($this->files->read((string) $note->file), 200, [
            'Content-Type' => 'application/pdf', 'Content-Disposition' => "attachment; filename=\"{$note->title()}.pdf\"",
            'Content-Security-Policy' => "default-src 'none'; sandbox", 'Cache-Control' => 'private, max-age=86400',
        ]);
    }
}
