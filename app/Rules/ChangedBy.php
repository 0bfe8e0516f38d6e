<?php

declare(strict_types=1);

namespace App\Rules;

/**
 * Who may change a rule.
 */
enum ChangedBy: string
{
    case Leads = 'leads';
    case Administrators = 'administrators';

    public function label(): string
    {
        return $this === self::Leads ? 'leads and administrators' : 'administrators only';
    }
}
