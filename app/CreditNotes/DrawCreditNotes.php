<?php

declare(strict_types=1);

namespace App\CreditNotes;

use App\Refunds\DueRow;
use App\Refunds\Refund;
use App\Refunds\TellOfRefunds;
use App\Support\FileStore;
use App\Support\RegularJob;
use Throwable;

/**
 * Makes the PDF of each credit note, once: from then on it is that file.
 */
final class DrawCreditNotes extends RegularJob
{
    /** Few, so that an answer that comes meanwhile does not wait for a pile of them. */
    private const AT_ONCE = 5;

    public function __construct()
    {
        // After all that goes out: a note takes a tenth of a second to draw.
        $this->onQueue('default');
    }

    public function handle(CreditNotePdf $pdf, FileStore $files): void
    {
        $due = CreditNote::query()->whereNotNull('draw_next_at')->where('draw_next_at', '<=', now())->with('corrects')
            ->orderBy('draw_next_at')->limit(self::AT_ONCE)->get();
        foreach ($due as $note) {
            if (! DueRow::claim($note, 'draw_next_at')) {
                continue;
            }
            try {
                $bytes = $pdf->of($note);
                CreditNote::query()->whereKey($note->id)->whereNull('file')->update([
                    'file' => $files->keep($bytes), 'sha256' => hash('sha256', $bytes), 'draw_next_at' => null,
                ]);
                // Who is to be told once the money is through gets it with the mail.
                $note->corrects_id !== null ?: Refund::query()->whereKey($note->refund_id)->where('tell_when', TellOfRefunds::WHEN_DONE)
                    ->whereNull('told_at')->update(['tell_next_at' => now()]);
            } catch (Throwable $fault) {
                report($fault);
                CreditNote::query()->whereKey($note->id)->whereNull('file')->update([
                    'draw_attempts' => $note->draw_attempts + 1, 'draw_next_at' => DueRow::next($note->draw_attempts, null),
                ]);
            }
        }
        // Others may go before.
        $due->count() < self::AT_ONCE ?: self::putInQueue();
    }
}
