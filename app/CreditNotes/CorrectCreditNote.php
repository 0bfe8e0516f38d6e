<?php

declare(strict_types=1);

namespace App\CreditNotes;

use App\Refunds\Refund;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Mends a mistake in whom a credit note names: it is taken back by a further one, and another stands in its place. The amounts are what
 * was paid, and stay.
 */
final class CorrectCreditNote
{
    /**
     * @return CreditNote the one that is right
     *
     * @throws CreditNoteRefused
     */
    public function correct(CreditNote $note, string $name, string $address, Teammate $teammate): CreditNote
    {
        [$name, $address] = [mb_substr(trim($name), 0, 200), mb_substr(trim($address), 0, 500)];
        $name === '' && throw CreditNoteRefused::noName();

        $corrected = DB::transaction(static function () use ($note, $name, $address, $teammate): CreditNote {
            $refund = Refund::query()->lockForUpdate()->with(['order.customer', 'conversation'])->findOrFail($note->refund_id);
            $latest = CreditNote::query()->where('refund_id', $refund->id)->where('takes_back', false)->orderByDesc('number')
                ->firstOrFail();
            $latest->id === $note->id || throw CreditNoteRefused::corrected($note->title(), $latest->title());
            $content = $note->content;
            if ([$content['to']['name'], $content['to']['address']] === [$name, $address]) {
                throw CreditNoteRefused::same();
            }
            $content['to'] = [...$content['to'], 'name' => $name, 'address' => $address];

            return IssueCreditNotes::instead($refund, $note, $content, $teammate);
        });
        DrawCreditNotes::putInQueue();

        return $corrected;
    }
}
