<?php

declare(strict_types=1);

namespace App\Companies;

use App\Companies\Happened\CompanyChanged;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Customers\Customer;
use App\Promises\KeepPromises;
use App\Promises\Recount;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Says which company somebody is of, and what they do there. What runs of theirs is told, and may be promised otherwise from then on.
 */
final readonly class PutIntoCompany
{
    public function __construct(private Journal $journal, private KeepPromises $promises) {}

    /**
     * @param  Company|null  $company  null: of none
     * @param  string|null  $role  what they do there, in a few words
     * @param  Teammate|null  $teammate  null where it was taken over with what was exported
     *
     * @throws CompanyRefused
     */
    public function put(Customer $customer, ?Company $company, ?string $role, ?Teammate $teammate): void
    {
        DB::transaction(function () use ($customer, $company, $role, $teammate): void {
            // A company that is merged at this moment waits, or this waits for it.
            $into = $company === null ? null : Company::query()->lockForUpdate()->findOrFail($company->id);
            if ($into?->merged_into_id !== null) {
                throw CompanyRefused::mergedAlready($into->name);
            }
            $locked = Customer::query()->lockForUpdate()->findOrFail($customer->id);
            if ($locked->merged_into_id !== null) {
                throw CompanyRefused::mergedPerson($locked->name);
            }
            $before = $locked->company_id;
            $role = $into === null || trim((string) $role) === '' ? null : mb_substr(trim((string) $role), 0, 120);
            $locked->forceFill(['company_id' => $into?->id, 'company_role' => $role])->save();
            if ($before === $into?->id) {
                return;
            }
            if ($before !== null) {
                $this->dismiss($before, $locked);
            }
            $this->tell($locked, new CompanyChanged(Named::orNone($into?->id, $into?->name)), $teammate);
            $this->promises->customersChanged([$locked->id]);
        });
    }

    /**
     * Somebody has said that they are not of it: it is not proposed again.
     */
    public function dismiss(int $company, Customer $customer): void
    {
        CompanyProposal::query()->upsert([[
            'company_id' => $company, 'customer_id' => $customer->id, 'state' => CompanyProposal::DISMISSED,
        ]], ['customer_id', 'company_id'], ['state']);
    }

    private function tell(Customer $customer, CompanyChanged $what, ?Teammate $teammate): void
    {
        $running = Conversation::query()->where('customer_id', $customer->id)->whereIn('state', Recount::RUNS_IN)->get();
        foreach ($running as $conversation) {
            $this->journal->record($conversation, $what, $teammate === null ? Actor::application() : Actor::teammate($teammate));
        }
    }
}
