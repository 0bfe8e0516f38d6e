<?php

declare(strict_types=1);

namespace App\Companies\Happened;

use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\Told;

/**
 * The customer is of another company from now on, or of none.
 */
final readonly class CompanyChanged extends Payload
{
    public function __construct(public ?Named $company) {}

    public static function kind(): JournalKind
    {
        return JournalKind::CompanyChanged;
    }

    public function sentence(Told $told): string
    {
        return $told->by($this->company === null ? 'The customer is of no company' : "The customer is of {$this->company->name}");
    }
}
