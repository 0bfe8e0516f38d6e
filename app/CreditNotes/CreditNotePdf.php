<?php

declare(strict_types=1);

namespace App\CreditNotes;

use Dompdf\Dompdf;
use Dompdf\Options;
use Illuminate\Contracts\View\Factory;

/**
 * A credit note as a PDF, in its customer's language. Nothing is fetched and nothing run while it is made.
 */
final readonly class CreditNotePdf
{
    public function __construct(private Factory $views) {}

    public function of(CreditNote $note): string
    {
        $fonts = storage_path('fonts');
        is_dir($fonts) || mkdir($fonts, 0700, true);
        $pdf = new Dompdf((new Options)->setIsRemoteEnabled(false)->setIsPhpEnabled(false)->setIsJavascriptEnabled(false)
            ->setChroot([$fonts])->setFontCache($fonts)->setTempDir($fonts)->setDefaultFont('DejaVu Sans')
            ->setIsFontSubsettingEnabled(true));
        $pdf->setPaper('A4');
        $words = CreditNoteWords::in($note->language);
        $pdf->loadHtml($this->views->make('credit-notes.pdf', [
            'note' => $note, 'content' => $note->content, 'words' => $words,
            'shown' => new ShownForCustomer($words->language, $note->content),
        ])->render(), 'UTF-8');
        $pdf->render();
        $pdf->addInfo('Title', "{$words->title} {$note->title()}");

        return (string) $pdf->output();
    }
}
