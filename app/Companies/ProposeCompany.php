<?php

declare(strict_types=1);

namespace App\Companies;

use App\Customers\Customer;
use Illuminate\Support\Facades\DB;

/**
 * Proposes the company whose mail domain somebody writes from. A domain proves nothing, so a person confirms.
 */
final readonly class ProposeCompany
{
    /**
     * By an address that has become known of a customer.
     */
    public function byAddress(Customer $customer, string $address): void
    {
        $domains = CompanyDomain::ofAddress($address);
        if ($domains === []) {
            return;
        }
        $known = DB::table('company_domains')->whereIn('domain', $domains)->pluck('company_id', 'domain');
        foreach ($domains as $domain) {
            if (isset($known[$domain])) {
                // What somebody has decided stays as it is.
                CompanyProposal::query()->insertOrIgnore([
                    'company_id' => $known[$domain], 'customer_id' => $customer->id, 'state' => CompanyProposal::PROPOSED,
                    'created_at' => now(), 'updated_at' => now(),
                ]);

                return;
            }
        }
    }

    /**
     * Everybody anew who writes from a company's domains, after these have changed.
     */
    public function anew(Company $company): void
    {
        CompanyProposal::query()->where('company_id', $company->id)->where('state', CompanyProposal::PROPOSED)->delete();
        foreach ($company->domains()->pluck('domain') as $domain) {
            $writers = DB::table('handles')->where('kind', 'email')
                ->where(static fn ($any) => $any->where('value', 'like', "%@{$domain}")->orWhere('value', 'like', "%@%.{$domain}"))
                ->distinct()
                ->selectRaw('?, customer_id, ?, ?, ?', [$company->id, CompanyProposal::PROPOSED, now(), now()]);
            DB::table('company_proposals')->insertOrIgnoreUsing(
                ['company_id', 'customer_id', 'state', 'created_at', 'updated_at'], $writers
            );
        }
    }
}
