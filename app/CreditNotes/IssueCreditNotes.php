<?php

declare(strict_types=1);

namespace App\CreditNotes;

use App\Refunds\Refund;
use App\Refunds\RefundState;
use App\Store\Store;
use App\Support\RegularJob;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Throwable;

/**
 * Issues the credit note of each refund that is through: once, under the next number. The number is taken in the transaction of the
 * note, so that none is missing whatever fails.
 */
final class IssueCreditNotes extends RegularJob
{
    private const AT_ONCE = 100;

    public function __construct()
    {
        $this->onQueue('settling');
    }

    public function handle(): void
    {
        $due = Refund::query()->whereNotNull('note_next_at')->where('note_next_at', '<=', now())->orderBy('id')->limit(self::AT_ONCE)
            ->get();
        foreach ($due as $refund) {
            try {
                $this->issue($refund->id);
            } catch (Throwable $fault) {
                // The others do not wait for it.
                report($fault);
            }
        }
        $due->isEmpty() ?: DrawCreditNotes::putInQueue();
    }

    private function issue(int $id): void
    {
        DB::transaction(static function () use ($id): void {
            $refund = Refund::query()->lockForUpdate()->findOrFail($id);
            if ($refund->note_next_at === null || $refund->state !== RefundState::Done) {
                return;
            }
            $refund->load(['order.customer', 'conversation']);
            $before = CreditNote::query()->where('refund_id', $refund->id)->where('takes_back', false)->orderByDesc('number')->first();
            $content = CreditNoteContent::of($refund);
            // Through once more: what had been kept for an exchange goes back after all.
            $before === null
                ? self::write($refund, $content, "refund-{$refund->id}")
                : self::instead($refund, $before, [...$content, 'to' => $before->content['to']], null);
            $refund->forceFill(['note_next_at' => null])->save();
        });
    }

    /**
     * In a transaction. What was issued is not changed: it is taken back by one, and said anew by another.
     *
     * @param  array<string, mixed>  $content
     */
    public static function instead(Refund $refund, CreditNote $note, array $content, ?Teammate $teammate): CreditNote
    {
        $by = ['corrects_id' => $note->id, 'teammate_id' => $teammate?->id, 'language' => $note->language];
        self::write($refund, CreditNoteContent::takenBack($note->content), "takes-back-{$note->id}", [...$by, 'takes_back' => true]);

        return self::write($refund, $content, "instead-of-{$note->id}", $by);
    }

    /**
     * In a transaction: the next number is held until it ends.
     *
     * @param  array<string, mixed>  $content
     * @param  string  $once  the same again is not issued
     * @param  array<string, mixed>  $more
     */
    public static function write(Refund $refund, array $content, string $once, array $more = []): CreditNote
    {
        $number = 1 + (int) DB::table('credit_note_numbers')->where('id', 1)->lockForUpdate()->value('last');
        DB::table('credit_note_numbers')->where('id', 1)->update(['last' => $number]);
        $note = new CreditNote;
        $note->forceFill([
            'number' => $number, 'refund_id' => $refund->id, 'once' => $once,
            'language' => $refund->conversation->language ?? $refund->order->customer->language ?? Store::current()->language,
            'content' => $content, 'link_key' => Str::uuid()->toString(), 'issued_at' => now(), 'draw_next_at' => now(), ...$more,
        ])->save();

        return $note;
    }
}
