<?php

declare(strict_types=1);

namespace App\Demo;

use App\Channels\Account;
use App\Checklists\Checklist;
use App\Customers\CustomerGroup;
use App\Rules\ChangedBy;
use App\Rules\ReadyMade;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleToSave;
use App\Rules\RunRules;
use App\Rules\SaveRule;
use App\Sorting\Category;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Rules\Way;

/**
 * The demo store's rules: some that most stores want, and what its own troubles have taught it.
 */
final readonly class DemoRules
{
    /** Ready-made ones, and which of them are on. The others are still being tried out. */
    private const READY_MADE = [
        'reopened' => true, 'close' => true, 'untouched' => true, 'unanswered' => true, 'nobodys-due' => true, 'upset' => true,
        'away-owner' => true, 'low-stars' => true, 'form-choice' => true, 'how-was-it' => false, 'begun-anew' => false,
        'receipt-open' => false, 'receipt-away' => false, 'no-answer' => false,
    ];

    /** Switched on today: of what is long past and of what waits now they have told nobody yet. */
    private const NEW = ['unanswered', 'nobodys-due'];

    public function __construct(private SaveRule $save, private ReadyMade $readyMade, private RunRules $run) {}

    /**
     * Before anything happens, so that they run on it.
     */
    public function load(): void
    {
        $mads = Teammate::query()->where('email', 'mads@brindle.example')->firstOrFail();
        $words = static fn (string $field, string ...$words): array => [
            'field' => $field, 'op' => 'has_any_word', 'value' => array_values($words),
        ];
        $category = static fn (string $name): string => (string) Category::query()
            ->whereNotNull('parent_id')
            ->where('name', $name)
            ->firstOrFail()
            ->id;
        $noCategory = ['field' => 'category', 'op' => 'is_empty'];
        $team = static fn (string $name): string => (string) Team::query()->where('name', $name)->firstOrFail()->id;
        $either = static fn (array ...$any): array => ['any' => array_values($any)];
        foreach ([
            [
                'Before the festival', [RuleEvent::FirstMessage, RuleEvent::LaterMessage], Way::Every,
                $either($words('message_text', 'festival'), $words('subject', 'festival')),
                [['do' => 'add_tag', 'text' => 'festival'], ['do' => 'set_priority', 'value' => 'high']],
                'The festival is on Saturday: what is late for it comes first.', true,
            ],
            [
                'Batch K', [RuleEvent::FirstMessage, RuleEvent::LaterMessage], Way::Every,
                $either(
                    $words('message_text', 'batch k'),
                    [
                        'all' => [
                            $words('message_text', 'ferrule', 'ferrules', 'muffe'),
                            $words('message_text', 'split', 'splits', 'cracked', 'gerissen'),
                        ],
                    ]
                ),
                [
                    ['do' => 'add_tag', 'text' => 'batch K'],
                    ['do' => 'checklist', 'value' => (string) Checklist::query()->where('name', 'Damaged on arrival')->firstOrFail()->id],
                ],
                'The ferrules of one batch of spars split.', true,
            ],
            [
                'Wholesale comes first', [RuleEvent::FirstMessage], Way::Every,
                [
                    'field' => 'customer_group', 'op' => 'includes',
                    'value' => [(string) CustomerGroup::query()->where('name', 'Wholesale')->firstOrFail()->id],
                ],
                [['do' => 'set_priority', 'value' => 'high'], ['do' => 'add_tag', 'text' => 'wholesale']],
                'They have a faster promise.', true,
            ],
            [
                'To the returns bench', [RuleEvent::FirstMessage], Way::Every,
                [
                    'field' => 'account', 'op' => 'in',
                    'value' => [(string) Account::query()->where('address', 'returns@brindle.example')->firstOrFail()->id],
                ],
                [['do' => 'assign_team', 'value' => $team('Returns bench')]], 'What comes to returns@ is Femi’s.', true,
            ],
            [
                'Two stars or fewer', [RuleEvent::FirstMessage], Way::Every, ['field' => 'stars', 'op' => 'at_most', 'value' => 2],
                [['do' => 'set_priority', 'value' => 'high'], ['do' => 'tell', 'value' => 'leads', 'text' => 'A bad rating.']],
                'A low rating is answered the same day.', true,
            ],
            [
                'It is about a refund', [RuleEvent::FirstMessage], Way::Ladder,
                ['all' => [$noCategory, $words('subject', 'refund', 'money back', 'refusion')]],
                [['do' => 'set_category', 'value' => $category('Refund')]], 'By the subject; only where nobody has sorted it yet.',
                false,
            ],
            [
                'It is about an invoice', [RuleEvent::FirstMessage], Way::Ladder,
                ['all' => [$noCategory, $words('subject', 'invoice', 'faktura', 'rechnung')]],
                [['do' => 'set_category', 'value' => $category('Invoice')]], 'By the subject; only where nobody has sorted it yet.',
                false,
            ],
        ] as [$name, $events, $way, $condition, $actions, $notes, $isOn]) {
            $rule = $this->save->save(
                null,
                new RuleToSave($name, $way, $events, $condition, array_map(RuleAction::of(...), $actions), $notes, ChangedBy::Leads),
                $mads
            );
            $this->save->switch($rule, $isOn, $mads);
        }
        foreach (array_diff_key(self::READY_MADE, array_flip(self::NEW)) as $key => $isOn) {
            $this->save->switch($this->readyMade->make($key, $mads), $isOn, $mads);
        }
        $this->run->run();
    }

    public function loadNew(): void
    {
        $mads = Teammate::query()->where('email', 'mads@brindle.example')->firstOrFail();
        foreach (self::NEW as $key) {
            $this->save->switch($this->readyMade->make($key, $mads), self::READY_MADE[$key], $mads);
        }
    }
}
