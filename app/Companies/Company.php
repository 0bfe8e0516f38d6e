<?php

declare(strict_types=1);

namespace App\Companies;

use App\Customers\Customer;
use App\Fields\HasOwnValues;
use App\Support\Row;
use App\Team\Teammate;
use Cairnfield\Core\Text\Folding;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A customer or partner with several people. One that was merged into another stays, without any of them, so that the merge
 * can be undone.
 *
 * @property int $id
 * @property string $name
 * @property list<string> $addresses each of one or more lines
 * @property int|null $responsible_id
 * @property int|null $merged_into_id
 * @property Teammate|null $responsible who of ours knows them best
 * @property Collection<int, Customer> $people
 * @property Collection<int, CompanyDomain> $domains
 * @property Collection<int, CompanyNote> $notes
 * @property Collection<int, CompanyProposal> $proposals
 */
final class Company extends Row
{
    use HasOwnValues;

    protected $table = 'companies';

    protected $guarded = ['*'];

    /**
     * Those that are not part of another.
     *
     * @return Builder<Company>
     */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('merged_into_id')->orderBy('name_folded')->orderBy('id');
    }

    /**
     * @return HasMany<Customer, $this>
     */
    public function people(): HasMany
    {
        $people = $this->hasMany(Customer::class);
        $people->whereNull('merged_into_id')->orderBy('name')->orderBy('id');

        return $people;
    }

    /**
     * @return HasMany<CompanyDomain, $this>
     */
    public function domains(): HasMany
    {
        $domains = $this->hasMany(CompanyDomain::class);
        $domains->orderBy('domain');

        return $domains;
    }

    /**
     * @return HasMany<CompanyNote, $this>
     */
    public function notes(): HasMany
    {
        $notes = $this->hasMany(CompanyNote::class);
        $notes->orderByDesc('id');

        return $notes;
    }

    /**
     * Those who are likely of it and nobody has decided upon.
     *
     * @return HasMany<CompanyProposal, $this>
     */
    public function proposals(): HasMany
    {
        $proposals = $this->hasMany(CompanyProposal::class);
        $proposals->where('state', CompanyProposal::PROPOSED)
            ->whereHas('customer', static fn ($customers) => $customers->whereNull('company_id')->whereNull('merged_into_id'))
            ->orderBy('id');

        return $proposals;
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function responsible(): BelongsTo
    {
        return $this->belongsTo(Teammate::class, 'responsible_id');
    }

    protected static function booted(): void
    {
        self::saving(static fn (self $company) => $company->forceFill([
            'name_folded' => mb_substr(Folding::fold($company->name), 0, 300),
        ]));
    }

    protected function casts(): array
    {
        return ['addresses' => 'array'];
    }
}
