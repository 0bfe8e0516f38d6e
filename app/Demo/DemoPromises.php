<?php

declare(strict_types=1);

namespace App\Demo;

use App\Channels\Account;
use App\Channels\Channel;
use App\Companies\Company;
use App\Customers\CustomerGroup;
use App\Hours\WorkCalendar;
use App\Promises\PromiseSet;
use App\Promises\PromiseSetToSave;
use App\Promises\SavePromiseSet;
use App\Promises\WhatSetsDo;
use App\Rules\RuleAction;
use App\Team\Teammate;

/**
 * What the demo store promises, and to whom.
 */
final readonly class DemoPromises
{
    private const HOUR = 3600;

    /** Hours for urgent, high, normal and low; of the warning before; by the kind. */
    private const SETS = [
        'Everybody' => ['Care', [
            'first_reply' => [[1, 2, 4, 8], 0.5], 'next_reply' => [[1, 2, 4, 8], 0.5], 'update' => [[8, 16, 16, 24], 2],
            'resolve' => [[16, 24, 40, 60], 4],
        ]],
        'Returns' => ['Returns bench', [
            'first_reply' => [[2, 4, 7, 14], 1], 'next_reply' => [[2, 4, 7, 14], 1], 'update' => [[14, 21, 21, 35], 2],
            'resolve' => [[21, 35, 60, 80], 7],
        ]],
        'Marketplaces' => ['Care', [
            'first_reply' => [[1, 2, 3, 4], 0.5], 'next_reply' => [[1, 2, 3, 4], 0.5], 'resolve' => [[8, 16, 24, 40], 4],
        ]],
        'Wholesale' => ['Wholesale', [
            'first_reply' => [[0.5, 1, 2, 4], 0.25], 'next_reply' => [[0.5, 1, 2, 4], 0.25], 'update' => [[4, 8, 10, 20], 1],
            'resolve' => [[10, 20, 30, 50], 5],
        ]],
    ];

    public function __construct(private SavePromiseSet $save, private WhatSetsDo $does) {}

    public function load(): void
    {
        $is = static fn (string $field, array $values): array => ['all' => [['field' => $field, 'op' => 'in', 'value' => $values]]];
        $conditions = [
            'Everybody' => ['all' => []],
            'Returns' => $is('account', [(string) Account::query()->where('address', 'returns@brindle.example')->value('id')]),
            'Marketplaces' => $is('channel', [Channel::Marrowby->value, Channel::Quaymart->value]),
            'Wholesale' => ['any' => [
                [
                    'field' => 'customer_group', 'op' => 'includes',
                    'value' => [(string) CustomerGroup::query()->where('name', 'Wholesale')->value('id')],
                ],
                [
                    'field' => 'company', 'op' => 'includes',
                    'value' => Company::inUse()->pluck('id')->map(strval(...))->all(),
                ],
            ]],
        ];
        // The last one is tried first.
        foreach (self::SETS as $name => [$calendar, $kinds]) {
            $set = $this->save->save(PromiseSet::query()->where('name', $name)->first(), new PromiseSetToSave(
                $name, $conditions[$name], $this->targets((int) WorkCalendar::query()->where('name', $calendar)->value('id'), $kinds)
            ), null);
        }
        $mads = Teammate::query()->where('email', 'mads@brindle.example')->sole();
        $this->does->keep($set, ['miss' => [
            RuleAction::of(['do' => 'tell', 'value' => 'leads', 'text' => 'A wholesale customer waits longer than promised: call them.']),
        ]], $mads);
    }

    /**
     * @param  array<string, array{list<int|float>, int|float}>  $kinds
     * @return list<array{kind: string, seconds: array<string, int>, calendar: int|null, warn_before: int, runs_in: list<string>}>
     */
    private function targets(int $calendar, array $kinds): array
    {
        $targets = [];
        foreach ($kinds as $kind => [$hours, $warn]) {
            $targets[] = [
                'kind' => $kind, 'calendar' => $calendar, 'warn_before' => (int) ($warn * self::HOUR),
                'seconds' => array_combine(
                    ['urgent', 'high', 'normal', 'low'], array_map(static fn (int|float $one): int => (int) ($one * self::HOUR), $hours)
                ),
                'runs_in' => $kind === 'resolve' ? ['open', 'held'] : [],
            ];
        }

        return $targets;
    }
}
