<?php

declare(strict_types=1);

// Gives back so many euros, each by a refund of its own, of orders that were paid by card: php give-back.php COUNT. For the story in
// which the payment provider fails and workers are killed.

use App\Orders\Order;
use App\Refunds\ChosenRefund;
use App\Refunds\IssueRefund;
use App\Refunds\Refund;
use App\Team\Teammate;
use Illuminate\Contracts\Console\Kernel;

require __DIR__.'/../../vendor/autoload.php';
$application = require __DIR__.'/../../bootstrap/app.php';
$application->make(Kernel::class)->bootstrap();
// What goes wrong here ends the story, by the code that this ends with.
restore_exception_handler();

$count = (int) $argv[1];
$mads = Teammate::query()->where('email', 'mads@brindle.example')->sole();
$issue = $application->make(IssueRefund::class);
$orders = Order::query()->whereNull('marketplace')->where('status', 'sent')->where('total', '>', 3000)->with('payments')
    ->whereNotIn('id', Refund::query()->select('order_id'))->orderBy('id')->get()
    ->filter(static fn (Order $order): bool => $order->payments->every('kind', 'card') && $order->refunded() === 0);
for ($number = 0; $number < $count; $number++) {
    $order = $orders->values()[$number % $orders->count()];
    $issue->issue($order, new ChosenRefund(goodwill: '1.00'), 100, 'Goodwill', null, $mads, "gale-{$number}");
}
echo $orders->count();
