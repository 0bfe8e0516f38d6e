<?php

declare(strict_types=1);

namespace App\Companies;

use App\Channels\Account;
use App\Channels\Channel;
use App\Conversations\Changes\WhatNeeds;
use Illuminate\Support\Facades\DB;

/**
 * Makes a company, changes what is known of it, or takes one away that has nobody.
 */
final readonly class SaveCompany
{
    public function __construct(private ProposeCompany $propose, private WhatNeeds $needs) {}

    /**
     * @param  Company|null  $company  null: a new one
     * @param  list<string>  $domains  as somebody writes them
     * @param  list<string>  $addresses
     *
     * @throws CompanyRefused
     */
    public function save(?Company $company, string $name, array $domains, array $addresses, ?int $responsible): Company
    {
        $domains = array_values(array_unique(array_map(CompanyDomain::read(...), $domains)));
        $this->refuseOwn($domains);

        return DB::transaction(function () use ($company, $name, $domains, $addresses, $responsible): Company {
            $saved = $company === null ? new Company : Company::query()->lockForUpdate()->findOrFail($company->id);
            if ($saved->merged_into_id !== null) {
                throw CompanyRefused::mergedAlready($saved->name);
            }
            $saved->forceFill(['name' => trim($name), 'addresses' => $addresses, 'responsible_id' => $responsible])->save();
            $before = $saved->domains()->pluck('domain')->all();
            $this->domains($saved, $domains);
            if (array_diff($before, $domains) !== [] || array_diff($domains, $before) !== []) {
                $this->propose->anew($saved);
            }

            return $saved;
        });
    }

    /**
     * @throws CompanyRefused
     */
    public function remove(Company $company): void
    {
        $this->needs->refuseIfNeeded($company, $company->name);
        DB::transaction(function () use ($company): void {
            $locked = Company::query()->lockForUpdate()->findOrFail($company->id);
            $isMerged = CompanyMerge::query()->whereNull('undone_at')
                ->where(static fn ($any) => $any->where('kept_id', $locked->id)->orWhere('merged_id', $locked->id))
                ->exists();
            if ($isMerged || $locked->people()->exists()) {
                throw CompanyRefused::hasPeople($locked->name);
            }
            $locked->delete();
        });
    }

    /**
     * @param  list<string>  $domains
     */
    private function domains(Company $company, array $domains): void
    {
        CompanyDomain::query()->where('company_id', $company->id)->whereNotIn('domain', $domains)->delete();
        foreach ($domains as $domain) {
            $kept = CompanyDomain::query()->createOrFirst(['domain' => $domain], ['company_id' => $company->id]);
            if ($kept->company_id !== $company->id) {
                throw CompanyRefused::domainTaken($domain, $kept->company->name);
            }
        }
    }

    /**
     * @param  list<string>  $domains
     */
    private function refuseOwn(array $domains): void
    {
        foreach (Account::query()->where('channel', Channel::Email)->pluck('address') as $address) {
            $own = array_intersect(CompanyDomain::ofAddress(mb_strtolower((string) $address)), $domains);
            if ($own !== []) {
                throw CompanyRefused::ownDomain((string) array_values($own)[0]);
            }
        }
    }
}
