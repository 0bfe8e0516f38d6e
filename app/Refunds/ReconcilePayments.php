<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Channels\Account;
use App\Channels\Services\EventFields;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Channels\Services\UnreadableEvent;
use App\Support\StoreSettings;
use Carbon\CarbonImmutable;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\DB;

/**
 * Compares what we gave back with the provider's book: takes over what we had not heard of, and says where the two do not agree, for a
 * person to settle. Each night, and when somebody asks.
 */
final class ReconcilePayments implements ShouldBeUnique, ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public const REPORT = 'refunds.reconciled';

    private const DAYS = 14;

    /** Seconds for which something may be on its way before the book has to have it. */
    private const MAY_TAKE = 600;

    private const MOST_PAGES = 1000;

    public int $timeout = 290;

    public int $tries = 1;

    public int $uniqueFor = 300;

    /**
     * With what is taken in from outside: who asks for it waits before the page, and what goes out may be a pile.
     */
    public function __construct()
    {
        $this->onQueue('intake');
    }

    public function handle(ServiceClient $client, TakePaymentEvent $take, StoreSettings $settings): void
    {
        $until = CarbonImmutable::now();
        $from = $until->subDays(self::DAYS);
        $book = $problems = [];
        $accounts = PaymentProvider::all();
        foreach ($accounts as $account) {
            try {
                $told = $this->book($account, $client, $from, $until);
            } catch (ServiceFault|UnreadableEvent $why) {
                $problems[] = $why->getMessage();

                continue;
            }
            foreach ($told as $one) {
                $take->refund($account, $one);
            }
            array_push($book, ...$told);
        }
        if ($accounts->isEmpty()) {
            return;
        }
        // What one of them has cannot be told from what is not there.
        $settings->put(self::REPORT, $problems !== []
            ? ['at' => $until->toIso8601ZuluString(), 'problem' => implode(' ', $problems)]
            : [
                'at' => $until->toIso8601ZuluString(), 'days' => self::DAYS, 'looked' => count($book), 'problem' => null,
                'differences' => $this->differences($book, $from, $until),
            ]);
    }

    /**
     * @return list<ToldRefund>
     *
     * @throws ServiceFault|UnreadableEvent
     */
    private function book(Account $account, ServiceClient $client, CarbonImmutable $from, CarbonImmutable $until): array
    {
        $book = [];
        $after = '0';
        for ($page = 0; $page < self::MOST_PAGES; $page++) {
            $answer = EventFields::of($client->get($account, '/v1/book', [
                'from' => $from->toIso8601ZuluString(), 'until' => $until->toIso8601ZuluString(), 'after' => $after,
            ]));
            array_push($book, ...array_map(ToldRefund::read(...), $answer->objects('refunds')));
            if (! $answer->boolean('more')) {
                break;
            }
            $after = $answer->text('next', 20);
        }

        return $book;
    }

    /**
     * @param  list<ToldRefund>  $book
     * @return list<array{refund: int|null, payout: int, amount: int, what: string}>
     */
    private function differences(array $book, CarbonImmutable $from, CarbonImmutable $until): array
    {
        $told = $found = [];
        foreach ($book as $one) {
            $one->reference === null ?: $told[$one->reference] = $one;
        }
        $own = Payout::query()->whereHas('payment', static fn ($payments) => $payments->where('kind', 'card'))
            ->where('method', PayoutMethod::Payment)
            ->whereHas('refund', static fn ($refunds) => $refunds->where('asked_at', '>=', $from)->where('asked_at', '<', $until))
            ->orderBy('id')->get();
        $settled = DB::table('settled_differences')->whereIn('payout_id', $own->modelKeys())->get(['payout_id', 'what'])
            ->groupBy('payout_id')
            ->map(static fn ($of) => $of->keyBy('what'));
        foreach ($own as $payout) {
            $what = self::difference($payout, $told[$payout->once] ?? null, $until);
            $what === null || isset($settled[$payout->id][$what]) ?: $found[] = ['refund' => $payout->refund_id, 'payout' => $payout->id,
                'amount' => $payout->amount, 'what' => $what];
        }

        return $found;
    }

    private static function difference(Payout $payout, ?ToldRefund $inBook, CarbonImmutable $until): ?string
    {
        $state = $payout->state;
        if ($inBook === null) {
            $isOld = $payout->next_at === null || $payout->next_at->addSeconds(self::MAY_TAKE) < $until;

            return match (true) {
                $state === PayoutState::Done => 'we have it as given back, and the book does not know it',
                $state === PayoutState::Sent && $isOld => 'we have it on its way, and the book does not know it',
                default => null,
            };
        }

        return match (true) {
            $inBook->amount !== $payout->amount => 'the book has another amount',
            $state === PayoutState::Failed && $inBook->state === PayoutState::Done => 'we have it as failed, and the book as given back',
            $state === PayoutState::Done && $inBook->state === PayoutState::Failed => 'we have it as given back, and the book as failed',
            default => null,
        };
    }
}
