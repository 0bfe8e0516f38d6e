<?php

declare(strict_types=1);

namespace App\Companies;

use App\Customers\Customer;
use App\Support\Row;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That somebody writes from a company's domain, until a person has decided whether they are of it.
 *
 * @property int $id
 * @property int $company_id
 * @property int $customer_id
 * @property string $state
 * @property Company $company
 * @property Customer $customer
 */
final class CompanyProposal extends Row
{
    protected $table = 'company_proposals';

    public const PROPOSED = 'proposed';

    /** Somebody has said that they are not of it. It is not proposed again. */
    public const DISMISSED = 'dismissed';

    protected $guarded = ['*'];

    /**
     * What nobody has decided upon, of somebody who is of no company.
     *
     * @return Collection<int, CompanyProposal>
     */
    public static function of(Customer $customer): Collection
    {
        return $customer->company_id !== null
            ? new Collection
            : self::query()->where('customer_id', $customer->id)->where('state', self::PROPOSED)->with('company')->get();
    }

    /**
     * @return BelongsTo<Company, $this>
     */
    public function company(): BelongsTo
    {
        return $this->belongsTo(Company::class);
    }

    /**
     * @return BelongsTo<Customer, $this>
     */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }
}
