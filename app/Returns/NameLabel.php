<?php

declare(strict_types=1);

namespace App\Returns;

use Illuminate\Database\UniqueConstraintViolationException;

/**
 * Writes down the number of a parcel that comes without a label of ours, or has the carrier asked for one again.
 */
final class NameLabel
{
    /**
     * @throws ReturnRefused
     */
    public function by(CustomerReturn $return, string $number): void
    {
        $number = trim($number);
        preg_match('/^[A-Za-z0-9-]{4,60}$/D', $number) === 1 || throw ReturnRefused::badLabel(mb_substr($number, 0, 60));
        try {
            CustomerReturn::query()->whereKey($return->id)->update([
                'label_number' => $number, 'label_file' => null, 'label_why' => null, 'label_next_at' => null,
            ]);
        } catch (UniqueConstraintViolationException) {
            $other = CustomerReturn::query()->where('label_number', $number)->first();
            throw ReturnRefused::labelTaken($number, $other?->number() ?? 'another return');
        }
    }

    public function askAgain(CustomerReturn $return): void
    {
        CustomerReturn::query()->whereKey($return->id)->where('state', ReturnState::Agreed)->whereNull('label_number')
            ->update(['label_next_at' => now(), 'label_attempts' => 0]);
        FetchLabels::dispatch();
    }
}
