<?php

declare(strict_types=1);

namespace App\Orders;

use App\Channels\Account;
use App\Channels\RedactArrival;
use App\Channels\Services\EventFields;
use App\Channels\Services\TakesEvents;
use App\Channels\Services\UnreadableEvent;
use App\Conversations\Journal\Named;
use App\Orders\Happened\ParcelSeen;
use Cairnfield\Core\Parcels\ParcelStage;

/**
 * What the carrier tells of: where a parcel was seen. A parcel may be known to the carrier before
 * the shop tells which order it belongs to.
 */
final readonly class TakeCarrierEvent implements TakesEvents
{
    /** Stages that somebody who waits wants to hear of. */
    private const TOLD = [
        ParcelStage::Collected, ParcelStage::OutForDelivery, ParcelStage::Delivered, ParcelStage::ReturnedToSender,
        ParcelStage::Lost,
    ];

    /** What is older was caught up with, and is no news. */
    private const NEWS_DAYS = 3;

    public function __construct(private TellConversations $tell, private RedactArrival $redact, private FollowsParcels $follows) {}

    public function take(Account $account, array $event): string
    {
        $fields = EventFields::of($event);
        $type = $fields->text('type', 80);
        if ($type !== 'parcel.scanned') {
            throw UnreadableEvent::unknownType($type);
        }
        $data = $fields->object('data');

        return $this->scan($account, $data->id('parcel'), $data->object('scan')) ? 'new' : 'again';
    }

    private function scan(Account $account, string $number, EventFields $scan): bool
    {
        $stage = ParcelStage::tryFrom($scan->text('stage', 30)) ?? throw UnreadableEvent::field(
            'data.scan.stage', 'a stage that is known: '.implode(', ', array_column(ParcelStage::cases(), 'value'))
        );
        $row = [
            'outside_id' => $scan->id('id'), 'stage' => $stage->value,
            'place' => $this->redact->plain($scan->optionalText('place', 200) ?? ''),
            'at' => $scan->instant('at'),
        ];
        $parcel = Parcel::query()->where('number', $number)->first();
        if ($parcel === null) {
            Parcel::query()->insertOrIgnore([
                'number' => $number, 'carrier' => $account->channel->label(), 'fetched_at' => now(), 'created_at' => now(),
                'updated_at' => now(),
            ]);
            $parcel = Parcel::query()->where('number', $number)->firstOrFail();
        }
        $added = ParcelScan::query()->insertOrIgnore(['parcel_id' => $parcel->id, ...$row]);
        Parcel::query()->whereKey($parcel->id)->update(['fetched_at' => now()]);
        if (
            $added === 1
                && $parcel->order !== null
                && in_array($stage, self::TOLD, true)
                && now()->diffInDays($row['at'], true) < self::NEWS_DAYS
        ) {
            $this->tell->tell($parcel->order, new ParcelSeen(
                new Named($parcel->order->id, $parcel->order->number), new Named($parcel->id, $number), $stage, (string) $row['place']
            ));
        }

        $added !== 1 ?: $this->follows->seen($number, $stage, $row['at']);
        if ($added === 1 && $parcel->order !== null) {
            $this->tell->seen($parcel->order);
        }

        return $added === 1;
    }
}
