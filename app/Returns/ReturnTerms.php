<?php

declare(strict_types=1);

namespace App\Returns;

use App\Hours\Calendars;
use Cairnfield\Core\Returns\ReturnPolicy as CountedPolicy;

/**
 * What a return goes by: how long, who pays, what is asked, and what each grade gives back.
 */
final readonly class ReturnTerms
{
    public const DELIVERY = ['none', 'share', 'all'];

    private const FIELDS = [
        'days', 'transitDays', 'toOpenDay', 'customerPays', 'labelCost', 'fee', 'delivery', 'needsPhoto', 'needsInspection',
        'staysUnder', 'longerIn', 'shares', 'sendWithin', 'remindAfter', 'creditBonus',
    ];

    /**
     * @param  int  $days  in which it may come back, from its arrival; 0 or more
     * @param  int  $transitDays  that a parcel takes, where nobody knows when it arrived
     * @param  bool  $toOpenDay  whether a last day on which the store is closed moves to the next open one
     * @param  bool  $customerPays  the parcel back
     * @param  array<string, int>  $labelCost  what it costs them, in smallest units, by currency
     * @param  string  $fee  percent of the goods that is kept, such as 12.5
     * @param  string  $delivery  what of the delivery goes back: none, share, all
     * @param  array<string, int>  $staysUnder  worth less, it need not come back: smallest units, by currency
     * @param  array<string, int>  $longerIn  days, by the country of the order
     * @param  array<string, string>  $shares  percent of the price that is given back, by grade
     * @param  int  $sendWithin  days after it was agreed in which it is to be sent; then it lapses
     * @param  string  $creditBonus  percent that is added where store credit is taken
     * @param  int  $remindAfter  days after which the customer is reminded; 0 for never
     */
    public function __construct(
        public int $days = 30, public int $transitDays = 5, public bool $toOpenDay = true, public bool $customerPays = true,
        public array $labelCost = [], public string $fee = '0', public string $delivery = 'none', public bool $needsPhoto = false,
        public bool $needsInspection = true, public array $staysUnder = [], public array $longerIn = [], public array $shares = [],
        public int $sendWithin = 14, public int $remindAfter = 7, public string $creditBonus = '0'
    ) {}

    /**
     * @param  array<string, mixed>  $kept
     */
    public static function ofArray(array $kept): self
    {
        return new self(...array_intersect_key($kept, array_flip(self::FIELDS)));
    }

    /**
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return get_object_vars($this);
    }

    /**
     * Percent of the price, such as 85.
     */
    public function share(Grade $grade): string
    {
        return $this->shares[$grade->value] ?? $grade->usualShare();
    }

    public function daysIn(string $country): int
    {
        return max($this->days, $this->longerIn[$country] ?? 0);
    }

    /**
     * As the core counts it.
     */
    public function counted(string $country): CountedPolicy
    {
        return new CountedPolicy($this->daysIn($country), $this->transitDays, $this->toOpenDay ? app(Calendars::class)->main()->read()
            : null);
    }
}
