<?php

declare(strict_types=1);

namespace App\Companies;

use App\Customers\Customer;
use App\Team\SignedIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/**
 * Which company somebody is of: said, changed, taken back, confirmed or denied where it was proposed.
 */
final readonly class CompanyOfCustomerController
{
    public function __construct(private PutIntoCompany $put) {}

    public function update(Request $request, Customer $customer): RedirectResponse
    {
        $written = $request->validate([
            'company' => ['nullable', 'integer', 'exists:companies,id'],
            'role' => ['nullable', 'string', 'max:120'],
        ]);
        $company = isset($written['company']) ? Company::query()->findOrFail((int) $written['company']) : null;
        $this->put->put($customer, $company, $written['role'] ?? null, SignedIn::teammate($request));

        return back()->with(
            'done', $company === null ? "{$customer->name} is of no company." : "{$customer->name} is of {$company->name}."
        );
    }

    public function confirm(Request $request, CompanyProposal $companyProposal): RedirectResponse
    {
        $role = $request->validate(['role' => ['nullable', 'string', 'max:120']])['role'] ?? null;
        $this->put->put($companyProposal->customer, $companyProposal->company, $role, SignedIn::teammate($request));

        return back()->with('done', "{$companyProposal->customer->name} is of {$companyProposal->company->name}.");
    }

    public function dismiss(CompanyProposal $companyProposal): RedirectResponse
    {
        $this->put->dismiss($companyProposal->company_id, $companyProposal->customer);

        return back()->with(
            'done', "{$companyProposal->customer->name} is not of {$companyProposal->company->name}. This is not proposed again."
        );
    }
}
