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
    private const AT_ONCE = 500;

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
                CompanyProposal::query()->insertOrIgnore(self::row((int) $known[$domain], $customer->id));

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
            // Asked for before it is written: a statement that did both would hold everybody's addresses meanwhile.
            $writers = DB::table('handles')->where('kind', 'email')
                ->where(static fn ($any) => $any->where('value', 'like', "%@{$domain}")->orWhere('value', 'like', "%@%.{$domain}"))
                ->distinct()
                ->pluck('customer_id');
            foreach ($writers->chunk(self::AT_ONCE) as $some) {
                CompanyProposal::query()->insertOrIgnore(
                    array_values($some->map(static fn (int $customer): array => self::row($company->id, $customer))->all())
                );
            }
        }
    }

    /**
     * @return array<string, mixed>
     */
    private static function row(int $company, int $customer): array
    {
        return [
            'company_id' => $company, 'customer_id' => $customer, 'state' => CompanyProposal::PROPOSED,
            'created_at' => now(), 'updated_at' => now(),
        ];
    }
}
