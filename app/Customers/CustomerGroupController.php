<?php

declare(strict_types=1);

namespace App\Customers;

use App\Conversations\Changes\WhatNeeds;
use App\Conversations\PlaceInQueue;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final readonly class CustomerGroupController
{
    public function __construct(private SortIntoGroups $groups) {}

    public function index(): View
    {
        return view('customers.groups', ['groups' => CustomerGroup::query()->withCount('customers')->orderBy('name')->get()]);
    }

    public function store(Request $request): RedirectResponse
    {
        $this->save($request, new CustomerGroup);

        return redirect('/customer-groups')->with('done', 'The group is made, and everybody who belongs to it is in it.');
    }

    public function update(Request $request, CustomerGroup $group): RedirectResponse
    {
        $this->save($request, $group);

        return redirect('/customer-groups')->with('done', 'Saved.');
    }

    public function destroy(CustomerGroup $group, WhatNeeds $needs): RedirectResponse
    {
        $needs->refuseIfNeeded($group, $group->name);
        $group->delete();

        return redirect('/customer-groups')->with('done', "The group {$group->name} is gone. The customers stay.");
    }

    private function save(Request $request, CustomerGroup $group): void
    {
        $written = $request->validate([
            'name' => ['required', 'string', 'max:80', Rule::unique('customer_groups', 'name')->ignore($group->id)],
            'field' => ['required', 'array', 'max:6'],
            'field.*' => ['nullable', 'required_with:is.*', 'string', 'max:60'],
            'place' => ['nullable', Rule::in([1, 3, 5])],
            'is' => ['required', 'array'],
            'is.*' => ['nullable', 'required_with:field.*', 'string', 'max:300'],
        ], [
            'field.*.required_with' => 'Say what is known of a customer in condition :position, or take its value away.',
            'is.*.required_with' => 'Write the value in condition :position, or take what is known away.',
        ]);
        $conditions = [];
        foreach ($written['field'] as $index => $field) {
            $is = trim((string) ($written['is'][$index] ?? ''));
            if (trim((string) $field) !== '' && $is !== '') {
                $conditions[] = ['field' => trim((string) $field), 'is' => $is];
            }
        }
        $group->forceFill([
            'name' => $written['name'], 'place' => (int) ($written['place'] ?? PlaceInQueue::NO_GROUP), 'conditions' => $conditions,
        ])->save();
        $this->groups->all($group);
    }
}
