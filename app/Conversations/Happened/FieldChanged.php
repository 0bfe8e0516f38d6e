<?php

declare(strict_types=1);

namespace App\Conversations\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

final readonly class FieldChanged extends Payload
{
    /**
     * @param  Named|null  $order  the one beside it, for a field of orders
     * @param  string|null  $from  as it is shown
     * @param  string|null  $to  as it is shown
     */
    public function __construct(public Named $field, public ?Named $order, public ?string $from, public ?string $to) {}

    public static function kind(): JournalKind
    {
        return JournalKind::FieldChanged;
    }

    public function sentence(Told $told): string
    {
        $field = $this->order === null ? $this->field->name : "{$this->field->name} of {$this->order->name}";

        return $told->by("{$field} set to ".($this->to ?? 'nothing'));
    }
}
