<?php

declare(strict_types=1);

namespace App\Refunds;

use App\CreditNotes\CreditNote;
use App\Support\FileStore;
use App\Support\RegularJob;

/**
 * Tells the customer of a refund with the template that was chosen: at once, or when the money is through, with the credit note. In the
 * name of who gave it back, and once. What cannot be said so is said at the refund.
 */
final class TellOfRefunds extends RegularJob
{
    public const WHEN_ASKED = 'asked';

    public const WHEN_DONE = 'done';

    private const AT_ONCE = 50;

    public function __construct()
    {
        $this->onQueue('settling');
    }

    public function handle(TellByTemplate $tell, FileStore $files): void
    {
        $due = Refund::query()->whereNotNull('tell_next_at')->where('tell_next_at', '<=', now())
            ->with(['conversation', 'teammate'])->orderBy('tell_next_at')->limit(self::AT_ONCE)->get();
        foreach ($due as $refund) {
            if (! DueRow::claim($refund, 'tell_next_at')) {
                continue;
            }
            $why = $tell->tell(
                $refund->conversation, $refund->tell_template_id, $refund->teammate, "refund-{$refund->id}",
                self::creditNote($refund, $files)
            );
            Refund::query()->whereKey($refund->id)->update([
                'tell_next_at' => null, 'told_at' => $why === null ? now() : null, 'tell_why' => $why,
            ]);
        }
    }

    /**
     * @return list<array{name: string, type: string, size: int, sha256: string, file: string}>
     */
    private static function creditNote(Refund $refund, FileStore $files): array
    {
        $note = $refund->tell_when !== self::WHEN_DONE ? null : CreditNote::query()->where('refund_id', $refund->id)->whereNotNull('file')
            ->where('takes_back', false)->orderByDesc('number')->first();

        return $note === null ? [] : [[
            'name' => "{$note->title()}.pdf", 'type' => 'application/pdf', 'size' => strlen($files->read((string) $note->file)),
            'sha256' => (string) $note->sha256, 'file' => (string) $note->file,
        ]];
    }
}
