<?php

declare(strict_types=1);

use App\CreditNotes\DrawCreditNotes;
use App\Refunds\SendPayouts;
use App\Refunds\TellShopOfRefunds;
use App\Support\RegularWork;
use Carbon\CarbonImmutable;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Contracts\Queue\Job;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Queue;

/*
 * What looks for whatever is due waits in the queue once, however slow the worker is.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    Queue::fake();
    $this->begins = function (string $job): void {
        Event::dispatch(new JobProcessing('sync', Mockery::mock(Job::class, [
            'getQueue' => 'settling', 'timeout' => null, 'payload' => [], 'resolveName' => $job,
        ])));
    };
    $this->clock = function (string $name): void {
        app(RegularWork::class)->planOn($schedule = new Schedule);
        collect($schedule->events())->first(static fn ($event): bool => $event->description === $name)->run(app());
    };
});

it('waits once, whoever asks for it, until it begins', function (): void {
    foreach (range(1, 5) as $tick) {
        ($this->clock)('tell the shop what was given back');
    }
    Queue::assertPushedOn('settling', TellShopOfRefunds::class);
    Queue::assertPushed(TellShopOfRefunds::class, 1);
    ($this->begins)(TellShopOfRefunds::class);
    ($this->clock)('tell the shop what was given back');
    ($this->clock)('tell the shop what was given back');
    Queue::assertPushed(TellShopOfRefunds::class, 2);
});

it('does not wait for another kind of work', function (): void {
    SendPayouts::putInQueue();
    DrawCreditNotes::putInQueue();
    ($this->begins)(SendPayouts::class);
    DrawCreditNotes::putInQueue();
    SendPayouts::putInQueue();
    Queue::assertPushed(DrawCreditNotes::class, 1);
    Queue::assertPushed(SendPayouts::class, 2);
});

it('is put in the queue anew where it was lost', function (): void {
    SendPayouts::putInQueue();
    CarbonImmutable::setTestNow('2026-11-23T10:01:01Z');
    SendPayouts::putInQueue();
    Queue::assertPushed(SendPayouts::class, 2);
});

it('goes on at once for somebody who has just given money back', function (): void {
    SendPayouts::putInQueue();
    SendPayouts::dispatch();
    Queue::assertPushed(SendPayouts::class, 2);
});
