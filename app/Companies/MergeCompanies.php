<?php

declare(strict_types=1);

namespace App\Companies;

use App\Fields\About;
use App\Fields\LendOwnFields;
use App\Promises\KeepPromises;
use App\Promises\PromiseSets;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Makes two companies one, and two again. What was moved is written down, so that undoing gives back exactly that: what came since
 * stays with the one that was kept. Conditions that ask for the one that was merged find the people of the kept one.
 */
final readonly class MergeCompanies
{
    /** Everything that belongs to a company, by table. */
    private const OWNED = ['customers', 'company_domains', 'company_notes', 'company_proposals'];

    public function __construct(private ProposeCompany $propose, private KeepPromises $promises, private LendOwnFields $fields,
        private PromiseSets $sets
    ) {}

    /**
     * @throws CompanyRefused
     */
    public function merge(Company $kept, Company $merged, Teammate $teammate): CompanyMerge
    {
        return DB::transaction(function () use ($kept, $merged, $teammate): CompanyMerge {
            [$one, $other] = $this->lock($kept->id, $merged->id);
            foreach ([$one, $other] as $company) {
                if ($company->merged_into_id !== null) {
                    throw CompanyRefused::mergedAlready($company->name);
                }
            }
            $moved = [];
            foreach (self::OWNED as $table) {
                $moved[$table] = $this->owned($table, $one->id, $other->id);
                DB::table($table)->whereIn('id', $moved[$table])->update(['company_id' => $one->id]);
            }
            $given = [
                'addresses' => array_values(array_diff($other->addresses, $one->addresses)),
                'responsible' => $one->responsible_id === null ? $other->responsible_id : null,
                'fields' => $this->fields->lend(About::Company, $other->id, $one->id),
            ];
            $one->forceFill([
                'addresses' => [...$one->addresses, ...$given['addresses']],
                'responsible_id' => $one->responsible_id ?? $given['responsible'],
            ])->save();
            $other->forceFill(['merged_into_id' => $one->id])->save();
            $merge = new CompanyMerge;
            $merge->forceFill([
                'kept_id' => $one->id, 'merged_id' => $other->id, 'teammate_id' => $teammate->id, 'moved' => $moved, 'given' => $given,
                'at' => now(),
            ])->save();
            $this->changed($one, $other);

            return $merge;
        });
    }

    /**
     * @throws CompanyRefused
     */
    public function undo(CompanyMerge $merge): void
    {
        DB::transaction(function () use ($merge): void {
            $locked = CompanyMerge::query()->lockForUpdate()->findOrFail($merge->id);
            if ($locked->undone_at !== null) {
                throw CompanyRefused::undoneAlready();
            }
            [$kept, $merged] = $this->lock($locked->kept_id, $locked->merged_id);
            if ($kept->merged_into_id !== null) {
                throw CompanyRefused::mergedSince();
            }
            foreach ($locked->moved as $table => $ids) {
                if (in_array($table, self::OWNED, true)) {
                    DB::table($table)->whereIn('id', $ids)->where('company_id', $kept->id)->update(['company_id' => $merged->id]);
                }
            }
            $given = $locked->given;
            $this->fields->takeBack(About::Company, $kept->id, $given['fields'] ?? []);
            $kept->forceFill([
                'addresses' => array_values(array_diff($kept->addresses, $given['addresses'])),
                'responsible_id' => $given['responsible'] !== null && $kept->responsible_id === $given['responsible']
                    ? null
                    : $kept->responsible_id,
            ])->save();
            $merged->forceFill(['merged_into_id' => null])->save();
            $locked->forceFill(['undone_at' => now()])->save();
            $this->changed($kept, $merged);
        });
    }

    /**
     * @return list<int>
     */
    private function owned(string $table, int $one, int $other): array
    {
        $rows = DB::table($table)->where('company_id', $other)->orderBy('id');
        if ($table === 'company_proposals') {
            // What was decided of somebody and the kept one stands; what is only proposed is proposed anew.
            $rows->where('state', CompanyProposal::DISMISSED)->whereNotIn(
                'customer_id', DB::table('company_proposals')->where('company_id', $one)
                    ->where('state', CompanyProposal::DISMISSED)
                    ->select('customer_id')
            );
            DB::table('company_proposals')->where('company_id', $one)->where('state', CompanyProposal::PROPOSED)->delete();
        }

        return array_map(intval(...), $rows->pluck('id')->all());
    }

    private function changed(Company $one, Company $other): void
    {
        $this->sets->forget();
        foreach ([$one, $other] as $company) {
            $this->propose->anew($company);
            $this->promises->customersChanged(
                array_values(array_map(intval(...), DB::table('customers')->where('company_id', $company->id)->pluck('id')->all()))
            );
        }
    }

    /**
     * @return array{Company, Company}
     */
    private function lock(int $kept, int $merged): array
    {
        if ($kept === $merged) {
            throw CompanyRefused::sameCompany();
        }
        $locked = Company::query()->whereKey([$kept, $merged])->orderBy('id')->lockForUpdate()->get()->keyBy('id');

        return [$locked[$kept], $locked[$merged]];
    }
}
