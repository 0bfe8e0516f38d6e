<?php

declare(strict_types=1);

// Measures rules over made-up conversations: a sweep of rules that run with time, and trying a rule out.
// php tests/Bench/sweep.php, called by bin/bench after bin/bench data has made the conversations.

use App\Rules\ChangedBy;
use App\Rules\Rule;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleRun;
use App\Rules\RuleToSave;
use App\Rules\SaveRule;
use App\Rules\SweepTimeTriggers;
use App\Rules\TimeTrigger;
use App\Rules\TimeTriggerSince;
use App\Rules\TryRule;
use App\Team\Teammate;
use Cairnfield\Core\Rules\Way;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../../vendor/autoload.php';
$application = require __DIR__.'/../../bootstrap/app.php';
$application->make(Kernel::class)->bootstrap();
config(['queue.default' => 'null', 'queue.connections.null' => ['driver' => 'null']]);
DB::connection()->disableQueryLog();

const CLOCK_RULES = 50;
const TAG = 'swept';

$save = $application->make(SaveRule::class);
$mads = Teammate::query()->where('email', 'mads@brindle.example')->firstOrFail();
Rule::query()->delete();
$count = (int) DB::table('conversations')->count();
$make = static function (string $name, array $condition, array $actions, ?array $clock) use ($save, $mads): Rule {
    $rule = $save->save(
        null,
        new RuleToSave(
            $name, Way::Every, $clock === null ? [RuleEvent::FirstMessage, RuleEvent::LaterMessage] : [], $condition,
            array_map(RuleAction::of(...), $actions), '', ChangedBy::Leads, $clock === null ? null : TimeTrigger::of($clock)
        ),
        $mads
    );
    $save->switch($rule, true, $mads);

    return $rule->refresh();
};

// Each rule has hours of its own; together the time has come for about one conversation in a hundred.
$each = max(1, intdiv(intdiv($count, 100), CLOCK_RULES));
$always = [
    'all' => [
        ['field' => 'priority', 'op' => 'in', 'value' => ['low', 'normal', 'high', 'urgent']],
        ['field' => 'subject', 'op' => 'has_no_word', 'value' => ['teapot']],
    ],
];
for ($number = 0; $number < CLOCK_RULES; $number++) {
    $make(
        "Clock {$number}", $always, [['do' => 'add_tag', 'text' => TAG]],
        ['since' => [TimeTriggerSince::CustomerWrote, TimeTriggerSince::Began][$number % 2]->value, 'hours' => 24 + $number * 20]
    );
}
$sweep = $application->make(SweepTimeTriggers::class);
$sweep->sweep();
$from = hrtime(true);
$sweep->sweep();
$nothing = (hrtime(true) - $from) / 1e9;
// As if it had looked last before the time came for so many.
foreach (Rule::query()->get() as $rule) {
    $column = TimeTrigger::of((array) $rule->clock)->since?->column() ?? 'created_at';
    $before = DB::table('conversations')
        ->where($column, '<=', $rule->swept_to)
        ->where('state', '!=', 'closed')
        ->orderByDesc($column)
        ->skip($each)
        ->limit(1)
        ->value($column);
    Rule::query()
        ->whereKey($rule->id)
        ->toBase()
        ->update(['swept_from' => $before ?? $rule->swept_from, 'swept_to' => $before ?? $rule->swept_to]);
}
$from = hrtime(true);
$acted = $sweep->sweep();
$spent = (hrtime(true) - $from) / 1e9;
printf("%s conversations, %d clock rules\n", number_format($count), CLOCK_RULES);
printf("a sweep in which no time has come: %.2f s\n", $nothing);
printf(
    "a sweep in which the time has come for %.2f %% of them: %.2f s, %s times a rule acted, %.2f ms each\n", $acted / $count * 100,
    $spent, number_format($acted), $spent / max(1, $acted) * 1000
);

Rule::query()->delete();
$tried = $make(
    'Late parcels',
    [
        'any' => [
            ['field' => 'message_text', 'op' => 'has_any_word', 'value' => ['late', 'delayed', 'lost']],
            [
                'all' => [
                    ['field' => 'subject', 'op' => 'has_any_word', 'value' => ['parcel', 'order']],
                    ['field' => 'tags', 'op' => 'includes_none', 'value' => ['1']],
                    ['field' => 'order_total', 'op' => 'more_than', 'value' => 100],
                ],
            ],
        ],
    ],
    [['do' => 'set_priority', 'value' => 'high']], null
);
for ($number = 0; $number < 15; $number++) {
    $make(
        "Other {$number}",
        [
            'all' => [
                ['field' => 'message_text', 'op' => 'has_any_word', 'value' => ['refund', "word{$number}"]],
                ['field' => 'channel', 'op' => 'in', 'value' => ['email']],
            ],
        ],
        [['do' => 'set_priority', 'value' => 'low'], ['do' => 'add_tag', 'text' => "t{$number}"]], null
    );
}
$from = hrtime(true);
$over = $application->make(TryRule::class)->over($tried, 4000);
printf(
    "trying a rule out beside 15 others, over %s things that happened: %.2f s, %s matched, %d fights\n",
    number_format($over->looked), (hrtime(true) - $from) / 1e9, number_format($over->matched), count($over->fights)
);
RuleRun::query()->delete();
