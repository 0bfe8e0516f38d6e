<?php

declare(strict_types=1);

namespace App\Returns;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\ChannelType;
use App\Channels\Services\EventFields;
use App\Channels\Services\MakesLabels;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use App\Channels\Services\UnreadableEvent;
use App\Refunds\DueRow;
use App\Store\Store;
use App\Support\FileStore;
use App\Support\NotStored;
use App\Support\RegularJob;

/**
 * Asks the carrier for the labels of what was agreed to come back: under one key each, until it answers. What it refuses, such as a
 * country that it does not serve, is said at the return; the number of another carrier's parcel can be written there.
 */
final class FetchLabels extends RegularJob
{
    private const AT_ONCE = 20;

    /** Says nothing of the label: our key is not taken, or the same is being asked for at this moment. */
    private const OURS_TO_MEND = [401, 403, 409];

    public function __construct()
    {
        $this->onQueue('settling');
    }

    public function handle(ServiceClient $client, FileStore $files): void
    {
        $due = CustomerReturn::query()->whereNotNull('label_next_at')->where('label_next_at', '<=', now())
            ->with(['order', 'lines.orderLine'])
            ->orderBy('label_next_at')->limit(self::AT_ONCE)->get();
        $carrier = $due->isEmpty() ? null : self::carrier();
        foreach ($due as $return) {
            if (DueRow::claim($return, 'label_next_at')) {
                $carrier === null
                    ? $this->later($return, 'No carrier that makes labels is connected. An administrator connects it under Ways in.')
                    : $this->fetch($return, $carrier, $client, $files);
            }
        }
    }

    private function fetch(CustomerReturn $return, Account $carrier, ServiceClient $client, FileStore $files): void
    {
        try {
            $answer = EventFields::of($client->send($carrier, 'POST', '/v1/labels', [
                'reference' => $return->number(), 'from' => [
                    'name' => $return->order->buyer_name, 'address' => $return->order->address, 'country' => $return->order->country,
                ],
                'to' => ['name' => Store::current()->name, 'country' => Store::current()->country],
            ], "label-{$return->label_key}"));
            $pdf = base64_decode($answer->text('pdf', 400_000), true);
            if ($pdf === false || ! str_starts_with($pdf, '%PDF-')) {
                throw UnreadableEvent::field('pdf', 'a PDF in Base64');
            }
            CustomerReturn::query()->whereKey($return->id)->update([
                'label_number' => $answer->id('number'), 'label_file' => $files->keep($pdf), 'label_why' => null, 'label_next_at' => null,
            ]);
        } catch (ServiceFault $fault) {
            $fault->isFinal && ! in_array($fault->status, self::OURS_TO_MEND, true)
                ? CustomerReturn::query()->whereKey($return->id)->update([
                    'label_next_at' => null, 'label_why' => mb_substr($fault->getMessage(), 0, 300),
                ])
                : $this->later($return, $fault->getMessage(), $fault->retryAfter);
        } catch (UnreadableEvent|NotStored $why) {
            $this->later($return, $why->getMessage());
        }
    }

    private function later(CustomerReturn $return, string $why, ?int $seconds = null): void
    {
        CustomerReturn::query()->whereKey($return->id)->whereNotNull('label_next_at')->update([
            'label_attempts' => $return->label_attempts + 1, 'label_next_at' => DueRow::next($return->label_attempts, $seconds),
            'label_why' => mb_substr($why, 0, 300),
        ]);
    }

    private static function carrier(): ?Account
    {
        return Account::query()
            ->whereIn('channel', Channel::those(static fn (ChannelType $type): bool => $type instanceof MakesLabels))
            ->where('state', AccountState::Active)->orderBy('id')->first();
    }
}
