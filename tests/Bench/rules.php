<?php

declare(strict_types=1);

// Measures rules in the core: php tests/Bench/rules.php [RULES] [MESSAGES]. Called by bin/bench.

use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Facts;
use Cairnfield\Core\Rules\Plan;
use Cairnfield\Core\Rules\Rule;
use Cairnfield\Core\Rules\Way;

require __DIR__.'/../../vendor/autoload.php';

$most = max(10, (int) ($argv[1] ?? 200));
$messages = max(100, (int) ($argv[2] ?? 100_000));
mt_srand(11);
$words = explode(
    ' ',
    'parcel late kite spar broken ferrule refund invoice order where return tail line reel festival saturday thanks wholesale gift '
        .'card label carrier depot photo batch wind strap bag repair tape wrong size colour price stock'
);
$pick = static fn (int $count): array => array_map(static fn (): string => $words[mt_rand(0, count($words) - 1)], array_fill(0, $count, 0));
// Ten leaves each: words, choices, numbers, lists and yes or no, nested as people write them.
$rule = static function (int $number) use ($pick): Rule {
    $condition = ['all' => [
        [
            'any' => [
                ['field' => 'text', 'op' => 'has_any_word', 'value' => $pick(3)],
                ['field' => 'subject', 'op' => 'has_any_word', 'value' => $pick(2)],
                ['field' => 'subject', 'op' => 'starts_with', 'value' => $pick(1)[0]],
            ],
        ],
        ['field' => 'channel', 'op' => 'in', 'value' => ['email', 'web_form', 'pennon']],
        [
            'not' => [
                'any' => [
                    ['field' => 'text', 'op' => 'has_all_words', 'value' => $pick(2)],
                    ['field' => 'automatic', 'op' => 'is', 'value' => true],
                ],
            ],
        ],
        ['field' => 'order_total', 'op' => 'more_than', 'value' => mt_rand(0, 200)],
        ['field' => 'tags', 'op' => 'includes_none', 'value' => $pick(2)],
        [
            'any' => [
                ['field' => 'language', 'op' => 'is', 'value' => 'da'],
                ['field' => 'weekday', 'op' => 'in', 'value' => ['1', '2', '3', '4', '5']],
            ],
        ],
    ]];

    return new Rule(
        $number, $number % 3 === 0 ? Way::Ladder : Way::Every, Condition::read(json_decode((string) json_encode($condition))),
        [['do' => 'set_priority', 'priority' => ['low', 'high'][$number % 2]], ['do' => 'add_tag', 'tag' => "t{$number}"]]
    );
};
$rules = array_map($rule, range(1, $most));
$facts = static fn (): Facts => Facts::of([
    'text' => implode(' ', $pick(60)), 'subject' => implode(' ', $pick(5)), 'channel' => [
        'email', 'web_form', 'telephone',
    ][mt_rand(0, 2)], 'automatic' => mt_rand(0, 9) === 0,
    'order_total' => mt_rand(0, 400), 'tags' => $pick(2), 'language' => ['da', 'en', 'de'][mt_rand(0, 2)],
    'weekday' => (string) mt_rand(1, 7),
]);
$measure = static function (int $count, int $messages) use ($rules, $facts): array {
    $some = array_slice($rules, 0, $count);
    $matched = 0;
    $spent = 0;
    for ($number = 0; $number < $messages; $number++) {
        $one = $facts();
        $from = hrtime(true);
        $matched += count(Plan::of($one, ...$some)->matched);
        $spent += hrtime(true) - $from;
    }

    return [$spent / 1e9, $matched];
};
$measure(10, 200);
printf("%s rules of ten leaves over %s messages\n", number_format($most), number_format($messages));
printf(
    "| %8s | %10s | %16s | %18s | %14s |\n|%s|\n", 'rules', 'messages', 'evaluations/s', 'a message in ms', 'a rule in µs',
    str_repeat('-', 80)
);
foreach ([intdiv($most, 8), intdiv($most, 4), intdiv($most, 2), $most] as $count) {
    $over = $count === $most ? $messages : max(1000, intdiv($messages, 20));
    [$seconds, $matched] = $measure($count, $over);
    printf(
        "| %8d | %10d | %16s | %18.3f | %14.2f |  %d matched\n", $count, $over, number_format($count * $over / $seconds),
        $seconds / $over * 1000, $seconds / $over / $count * 1e6, $matched
    );
}
