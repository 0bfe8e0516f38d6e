<?php

declare(strict_types=1);

use App\Channels\SenderHandle;
use App\Customers\Customer;
use App\Customers\FindOrAddCustomer;
use App\Customers\Handle;

it('makes one customer for one address', function (): void {
    $customers = app(FindOrAddCustomer::class);
    $one = $customers->byHandle(SenderHandle::email('Tomas@Hruby.example', 'Tomas Hrubý'));
    $two = $customers->byHandle(SenderHandle::email('tomas@hruby.EXAMPLE', 'T. Hrubý'));
    expect($two->id)->toBe($one->id)
        ->and($two->name)->toBe('Tomas Hrubý')
        ->and(Handle::query()->sole()->value)->toBe('tomas@hruby.example')
        ->and(Handle::query()->sole()->shown)->toBe('Tomas@Hruby.example');
});

it('learns the name of a customer known only by the address', function (): void {
    $customers = app(FindOrAddCustomer::class);
    expect($customers->byHandle(SenderHandle::email('ana@wrenfield.example'))->name)->toBe('ana@wrenfield.example')
        ->and($customers->byHandle(SenderHandle::email('ana@wrenfield.example', 'Ana Wrenfield'))->refresh()->name)->toBe('Ana Wrenfield');
});

it('never takes two unknown senders for one', function (): void {
    $customers = app(FindOrAddCustomer::class);
    $customers->byHandle(SenderHandle::email(''));
    $customers->byHandle(SenderHandle::email('', 'The kite club'));
    expect(Customer::query()->orderBy('id')->pluck('name')->all())->toBe(['Unknown sender', 'The kite club'])
        ->and(Handle::query()->count())->toBe(0);
});
