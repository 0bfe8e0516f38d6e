<?php

declare(strict_types=1);

namespace App\Customers;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Customers\Happened\CustomerMerged;
use App\Customers\Happened\CustomerSeparated;
use App\Fields\About;
use App\Fields\LendOwnFields;
use App\Promises\KeepPromises;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;

/**
 * Makes two customers one, and two again. What was moved is written down, so that undoing gives
 * back exactly that: what came since stays with the one who was kept.
 */
final readonly class MergeCustomers
{
    /** Everything that belongs to a customer, by table. */
    private const OWNED = ['handles', 'conversations', 'orders', 'customer_notes', 'returns', 'store_credits'];

    public function __construct(
        private Journal $journal, private SortIntoGroups $groups, private KeepPromises $promises, private LendOwnFields $fields
    ) {}

    /**
     * @throws CustomersRefused
     */
    public function merge(Customer $kept, Customer $merged, Teammate $teammate): CustomerMerge
    {
        return DB::transaction(function () use ($kept, $merged, $teammate): CustomerMerge {
            [$one, $other] = $this->lock($kept->id, $merged->id);
            foreach ([$one, $other] as $customer) {
                if ($customer->merged_into_id !== null) {
                    throw CustomersRefused::mergedAlready($customer->name);
                }
            }
            $moved = [];
            $given = [
                'facts' => array_diff_key($other->facts ?? [], $one->facts ?? []),
                'language' => $one->language === null ? $other->language : null,
                'company' => $one->company_id === null ? $other->company_id : null,
                'role' => $one->company_id === null ? $other->company_role : null,
                'fields' => $this->fields->lend(About::Customer, $other->id, $one->id),
            ];
            foreach (self::OWNED as $table) {
                $moved[$table] = array_map(
                    intval(...), DB::table($table)->where('customer_id', $other->id)->orderBy('id')->pluck('id')->all()
                );
                DB::table($table)->where('customer_id', $other->id)->update(['customer_id' => $one->id]);
            }
            $other->forceFill(['merged_into_id' => $one->id])->save();
            $one->forceFill([
                'facts' => ($one->facts ?? []) + $given['facts'],
                'language' => $one->language ?? $given['language'],
                'company_id' => $one->company_id ?? $given['company'],
                'company_role' => $one->company_id === null ? $given['role'] : $one->company_role,
            ])->save();
            $merge = new CustomerMerge;
            $merge->forceFill([
                'kept_id' => $one->id, 'merged_id' => $other->id, 'teammate_id' => $teammate->id, 'moved' => $moved,
                'given' => $given, 'at' => now(),
            ])->save();
            DuplicateProposal::query()
                ->where(fn ($query) => $query->whereIn('one_id', [$other->id])->orWhereIn('other_id', [$other->id]))
                ->update(['state' => DuplicateProposal::MERGED]);
            $this->tell($moved['conversations'], new CustomerMerged(
                new Named($one->id, $one->name), new Named($other->id, $other->name)
            ), $teammate);
            $this->groups->sort($one);
            if ($given['company'] !== null) {
                $this->promises->customersChanged([$one->id]);
            }

            return $merge;
        });
    }

    /**
     * @throws CustomersRefused
     */
    public function undo(CustomerMerge $merge, Teammate $teammate): void
    {
        DB::transaction(function () use ($merge, $teammate): void {
            $locked = CustomerMerge::query()->lockForUpdate()->findOrFail($merge->id);
            if ($locked->undone_at !== null) {
                throw CustomersRefused::undoneAlready();
            }
            [$kept, $merged] = $this->lock($locked->kept_id, $locked->merged_id);
            if ($kept->merged_into_id !== null) {
                throw CustomersRefused::mergedSince();
            }
            foreach ($locked->moved as $table => $ids) {
                if (in_array($table, self::OWNED, true)) {
                    DB::table($table)->whereIn('id', $ids)->where('customer_id', $kept->id)->update(['customer_id' => $merged->id]);
                }
            }
            $this->takeBack($kept, $locked->given ?? ['facts' => [], 'language' => null]);
            $merged->forceFill(['merged_into_id' => null])->save();
            DuplicateProposal::query()->where('one_id', min($kept->id, $merged->id))->where('other_id', max($kept->id, $merged->id))
                ->update(['state' => DuplicateProposal::DISMISSED]);
            $locked->forceFill(['undone_at' => now()])->save();
            $this->tell($locked->moved['conversations'] ?? [], new CustomerSeparated, $teammate);
            $this->groups->sort($kept);
            $this->groups->sort($merged);
            $this->promises->customersChanged([$kept->id, $merged->id]);
        });
    }

    /**
     * What the one who was kept got of the other, where nobody has written something else since.
     *
     * @param  array{facts: array<string, string>, language: string|null, company?: int|null, role?: string|null,
     *   fields?: array<int, list<array<string, mixed>>>}  $given
     */
    private function takeBack(Customer $kept, array $given): void
    {
        $isAsGiven = static fn (string $value, string $fact): bool => ($given['facts'][$fact] ?? null) === $value;
        $this->fields->takeBack(About::Customer, $kept->id, $given['fields'] ?? []);
        $company = $given['company'] ?? null;
        if ($company !== null && $kept->company_id === $company) {
            $kept->forceFill(['company_id' => null, 'company_role' => null]);
        }
        $kept->forceFill([
            'facts' => array_filter(
                $kept->facts ?? [], static fn (string $value, string $fact): bool => ! $isAsGiven($value, $fact),
                ARRAY_FILTER_USE_BOTH
            ),
            'language' => $given['language'] !== null && $kept->language === $given['language'] ? null : $kept->language,
        ])->save();
    }

    /**
     * @param  list<int>  $conversationIds
     */
    private function tell(array $conversationIds, CustomerMerged|CustomerSeparated $what, Teammate $teammate): void
    {
        foreach (Conversation::query()->whereKey($conversationIds)->get() as $conversation) {
            $this->journal->record($conversation, $what, Actor::teammate($teammate));
        }
    }

    /**
     * @return array{Customer, Customer}
     */
    private function lock(int $kept, int $merged): array
    {
        if ($kept === $merged) {
            throw CustomersRefused::sameCustomer();
        }
        $locked = Customer::query()->whereKey([$kept, $merged])->orderBy('id')->lockForUpdate()->get()->keyBy('id');

        return [$locked[$kept], $locked[$merged]];
    }
}
