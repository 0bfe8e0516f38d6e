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

        return DB::transaction(static function () use ($note, $name, $address, $teammate): CreditNote {
            $refund = Refund::query()->lockForUpdate()->with(['order.customer', 'conversation'])->findOrFail($note->refund_id);
            $latest = CreditNote::query()->where('refund_id', $refund->id)->where('takes_back', false)->orderByDesc('number')
                ->firstOrFail();
            $latest->id === $note->id || throw CreditNoteRefused::corrected($note->title(), $latest->title());
            $content = $note->content;
            if ([$content['to']['name'], $content['to']['address']] === [$name, $address]) {
                throw CreditNoteRefused::same();
            }
            $by = ['corrects_id' => $note->id, 'teammate_id' => $teammate->id, 'language' => $note->language];
            IssueCreditNotes::write($refund, self::takenBack($content), "takes-back-{$note->id}", [...$by, 'takes_back' => true]);
            $content['to'] = [...$content['to'], 'name' => $name, 'address' => $address];

            return IssueCreditNotes::write($refund, $content, "instead-of-{$note->id}", $by);
        });
    }

    /**
     * @param  array<string, mixed>  $content
     * @return array<string, mixed> with all amounts turned
     */
    private static function takenBack(array $content): array
    {
        $turned = static fn (array $amounts): array => array_map(static fn (mixed $one): mixed => is_int($one) ? -$one : $one, $amounts);
        $lines = array_map(static fn (array $line): array => [...$turned($line), 'quantity' => $line['quantity']], $content['lines']);

        return [
            ...$content, 'lines' => $lines, 'delivery' => $content['delivery'] === null ? null : $turned($content['delivery']),
            ...$turned(array_intersect_key($content, array_flip(['deduction', 'fee', 'label', 'goodwill', 'total']))),
            'rates' => array_map($turned, $content['rates']), 'payments' => [],
        ];
    }
}
