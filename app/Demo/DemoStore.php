<?php

declare(strict_types=1);

namespace App\Demo;

use App\Channels\Account;
use App\Channels\Channel;
use App\Checklists\Checklist;
use App\Companies\SaveCompany;
use App\Customers\CustomerGroup;
use App\Hours\OtherDay;
use App\Hours\WorkCalendar;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Support\OutsideHosts;
use App\Support\StoreSettings;
use App\Team\Role;
use App\Team\SetAvailability;
use App\Team\Skill;
use App\Team\Team;
use App\Team\Teammate;
use App\Views\BoardBy;
use App\Views\SavedView;
use App\Views\SharedWith;
use App\Views\Sort;
use Cairnfield\Core\Assigning\Method;
use Illuminate\Support\Facades\DB;

/**
 * The demo store itself: its team, its addresses, its categories and outcomes.
 */
final class DemoStore
{
    public const PASSWORD = 'kites-and-cairns';

    private const TEAMMATES = [
        ['Ilse Norrby', 'ilse', Role::Care, 'Care'],
        ['Mads Overgaard', 'mads', Role::Lead, 'Care'],
        ['Ruta Kalnina', 'ruta', Role::Care, 'Care'],
        ['Femi Adewale', 'femi', Role::ReturnsBench, 'Returns bench'],
        ['Corin Hale', 'corin', Role::Administrator, 'Care'],
    ];

    /** Of what is given out by turns. */
    private const SHARES = ['ilse' => 3, 'mads' => 1, 'ruta' => 2, 'corin' => 0];

    private const CAN = ['mads' => 'Wholesale, Repairs', 'ruta' => 'Wholesale', 'femi' => 'Repairs'];

    private const AWAY_WORDS = ['At a fair', 'In the workshop', 'Ill', 'On holiday'];

    private const SPEAKS = ['ilse' => ['da', 'sv'], 'mads' => ['da'], 'ruta' => ['lv', 'de']];

    private const ACCOUNTS = [
        ['care', 'Brindle Kite Works', 'Care', "Brindle Kite Works\nQuayside 4, open Monday to Friday 9 to 17, Saturday 10 to 14"],
        ['returns', 'Brindle returns', 'Returns bench', 'Brindle Kite Works, returns bench'],
        ['wholesale', 'Brindle wholesale', 'Care', 'Brindle Kite Works, wholesale'],
    ];

    /** Where the store is found: channel, account there, its place among the stand-ins, team, and more. */
    private const SERVICES = [
        [Channel::Pennon, '@brindlekites', 0, 'Care', ['join_hours' => 12, 'mentions' => 'all']],
        [
            Channel::Pennon, '@brindletrade', 0, 'Care',
            ['join_hours' => 24, 'mentions' => 'words', 'words' => ['order', 'invoice', 'carton', 'wholesale']],
        ],
        [
            Channel::Snapline, 'brindle.kites', 1, 'Care',
            ['join_hours' => 12, 'mentions' => 'words', 'words' => ['order', 'parcel', 'broken', 'help', 'where', 'when', 'how', 'which']],
        ],
        [Channel::Marrowby, 'brindle-kites', 2, 'Care', []],
        [Channel::Quaymart, 'BRINDLE', 3, 'Care', []],
        [Channel::Shop, 'brindle', 4, null, []],
        [Channel::WrenParcel, 'brindle', 5, null, []],
        [Channel::Tollgate, 'brindle', 6, null, []],
    ];

    /** How each source writes its order numbers. */
    private const NUMBERS = ['shop' => 'B-2####', 'marrowby' => '##-#######', 'quaymart' => 'QM########'];

    private const HOLIDAYS = [
        '2026-12-24' => 'Christmas Eve', '2026-12-25' => 'Christmas Day', '2026-12-26' => 'Second Christmas Day',
        '2027-01-01' => 'New Year’s Day', '2027-03-25' => 'Maundy Thursday', '2027-03-26' => 'Good Friday',
        '2027-03-29' => 'Easter Monday', '2027-05-06' => 'Ascension Day', '2027-05-17' => 'Whit Monday',
        '2027-12-24' => 'Christmas Eve', '2027-12-25' => 'Christmas Day', '2027-12-26' => 'Second Christmas Day',
    ];

    /** Read by the lead and the administrator alone. */
    private const ABOUT_US = 'About one of us';

    private const CATEGORIES = [
        'Delivery' => ['Late parcel' => 'My parcel is late', 'Change order' => 'Change my order', 'Lost parcel' => 'My parcel is lost'],
        'Product' => [
            'Faulty item' => 'Something is broken', 'Wrong item' => 'I got the wrong thing', 'Missing part' => 'A part is missing',
            'Before buying' => 'A question before buying', 'Spare parts' => 'Spare parts',
        ],
        'Return' => ['Return' => 'Return something', 'Exchange' => 'Exchange something'],
        'Payment' => ['Refund' => 'My refund', 'Invoice' => 'My invoice', 'Gift card' => 'Gift cards'],
        'Trade' => ['Wholesale' => 'Wholesale'],
        'Other' => ['Not for us' => 'Something else', self::ABOUT_US => 'A complaint about one of you'],
    ];

    private const OUTCOMES = [
        'Information given', 'Sent again', 'Refunded', 'Exchanged', 'Order changed', 'Invoice sent', 'No answer', 'Duplicate',
        'Junk',
    ];

    public function __construct(private readonly SaveCompany $companies, private readonly StoreSettings $settings) {}

    public function load(): void
    {
        // What its accounts speak to runs on this machine.
        app(OutsideHosts::class)->allow('127.0.0.1');
        foreach (['Care', 'Returns bench'] as $name) {
            Team::query()->create(['name' => $name])->forceFill(['turns' => $name === 'Care' ? Method::Weighted : null])->save();
        }
        foreach (self::TEAMMATES as [$name, $local, $role, $team]) {
            $teammate = Teammate::query()->create([
                'name' => $name,
                'email' => "{$local}@brindle.example",
                'password' => self::PASSWORD,
                'role' => $role,
                'time_zone' => 'Europe/Copenhagen',
            ]);
            $teammate->forceFill(['password_chosen_at' => now()])->save();
            $teammate->teams()->attach(Team::query()->where('name', $team)->firstOrFail()->id, ['weight' => self::SHARES[$local] ?? 1]);
            $teammate->forceFill(['speaks' => self::SPEAKS[$local] ?? null])->save();
            $teammate->skills()->sync(Skill::named(self::CAN[$local] ?? ''));
        }
        foreach (self::ACCOUNTS as [$local, $senderName, $team, $signature]) {
            $this->addAccount($local, $senderName, Team::query()->where('name', $team)->firstOrFail(), $signature);
        }
        foreach (self::SERVICES as [$channel, $name, $place, $team, $arrivals]) {
            $this->addService($channel, $name, $place, $team, $arrivals);
        }
        $this->addHours();
        $this->addFormAndTelephone();
        $this->addCategories();
        $aboutUs = Category::query()->where('name', self::ABOUT_US)->sole();
        $aboutUs->forceFill(['members_only' => true])->save();
        $aboutUs->members()->sync(Teammate::query()->whereIn('role', [Role::Lead, Role::Administrator])->pluck('id')->all());
        DB::table('category_skill')->insert([
            'category_id' => Category::query()->where('name', 'Wholesale')->sole()->id, 'skill_id' => Skill::named('Wholesale')[0],
        ]);
        $this->settings->put(SetAvailability::AWAY_WORDS, self::AWAY_WORDS);
        $this->addViews();
        $this->addChecklists();
        $this->addGroups();
        $this->addCompanies();
        foreach (self::OUTCOMES as $position => $name) {
            Outcome::query()->create(['name' => $name, 'position' => $position]);
        }
    }

    private function addAccount(string $local, string $senderName, Team $team, string $signature): void
    {
        Account::query()->create([
            'channel' => Channel::Email,
            'address' => "{$local}@brindle.example",
            'sender_name' => $senderName,
            'signature' => $signature,
            'team_id' => $team->id,
            'settings' => [
                'imap_host' => '127.0.0.1',
                'imap_port' => config('cairnfield.demo.imap_port'),
                'imap_security' => 'none',
                'imap_user' => "{$local}@brindle.example",
                'smtp_host' => '127.0.0.1',
                'smtp_port' => config('cairnfield.demo.smtp_port'),
                'smtp_security' => 'none',
                'smtp_user' => '',
            ],
            'secrets' => [
                'imap_password' => config('cairnfield.demo.password'),
                'forward_secret' => bin2hex(random_bytes(24)),
            ],
        ])->forceFill(['takes_details' => true, 'details_tried_at' => now()])->save();
    }

    /**
     * @param  array<string, mixed>  $arrivals
     */
    private function addService(Channel $channel, string $name, int $place, ?string $team, array $arrivals): void
    {
        Account::query()->create([
            'channel' => $channel,
            'address' => $name,
            'sender_name' => 'Brindle Kite Works',
            'team_id' => $team === null ? null : Team::query()->where('name', $team)->firstOrFail()->id,
            'settings' => array_filter([
                'base_url' => 'http://127.0.0.1:'.((int) config('cairnfield.demo.services_port') + $place),
                'number_patterns' => self::NUMBERS[$channel->value] ?? null,
            ]),
            'secrets' => [
                'api_key' => config('cairnfield.demo.password').'-'.preg_replace('/\W/', '', $name),
                'webhook_secret' => bin2hex(random_bytes(24)),
            ],
            'arrivals' => $arrivals,
        ]);
    }

    /**
     * Three that work at different times, closed on the holidays of Denmark.
     */
    private function addHours(): void
    {
        $weekdays = static fn (array ...$spans): array => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], $spans);
        foreach ([
            'Care' => [...$weekdays(['09:00', '17:00']), 'sat' => [['10:00', '14:00']]],
            'Returns bench' => $weekdays(['08:00', '11:30'], ['12:00', '15:00']),
            'Wholesale' => $weekdays(['08:00', '18:00']),
        ] as $name => $week) {
            $calendar = ($name === 'Care' ? WorkCalendar::query()->where('is_main', true)->first() : null) ?? new WorkCalendar;
            $calendar->forceFill([
                'name' => $name, 'time_zone' => 'Europe/Copenhagen', 'week' => $week, 'is_main' => $name === 'Care',
            ])->save();
            $calendar->days()->delete();
            foreach (self::HOLIDAYS as $date => $holiday) {
                (new OtherDay)->forceFill(['calendar_id' => $calendar->id, 'date' => $date, 'open' => [], 'name' => $holiday])->save();
            }
            if ($name === 'Care') {
                (new OtherDay)->forceFill([
                    'calendar_id' => $calendar->id, 'date' => '2026-12-31', 'open' => [['09:00', '12:00']], 'name' => 'New Year’s Eve',
                ])->save();
            }
        }
    }

    private function addFormAndTelephone(): void
    {
        $care = Team::query()->where('name', 'Care')->firstOrFail()->id;
        $answersBy = Account::query()->where('address', 'care@brindle.example')->firstOrFail()->id;
        Account::query()->create([
            'channel' => Channel::WebForm,
            'address' => 'contact',
            'sender_name' => 'Brindle Kite Works',
            'team_id' => $care,
            'settings' => [
                'title' => 'Write to Brindle Kite Works',
                'introduction' => 'We answer on working days, mostly within four hours. If something broke, a photo helps.',
                'fields' => 'Batch letter, inside the keel',
                'frame_origins' => 'http://127.0.0.1:'.((int) config('cairnfield.demo.services_port') + 4),
                'answers_by' => $answersBy,
                'receipt' => true,
                'returns' => true,
            ],
            'secrets' => [],
        ]);
        Account::query()->create([
            'channel' => Channel::Telephone,
            'address' => 'telephone',
            'sender_name' => 'Brindle Kite Works',
            'team_id' => $care,
            'settings' => ['answers_by' => $answersBy],
            'secrets' => [],
            'arrivals' => ['join_hours' => 0],
        ]);
    }

    /**
     * Views that the team has made for itself.
     */
    private function addViews(): void
    {
        $mads = Teammate::query()->where('email', 'mads@brindle.example')->firstOrFail();
        $late = Category::query()->where('name', 'Late parcel')->firstOrFail();
        $notDone = ['field' => 'state', 'op' => 'in', 'value' => ['open', 'waiting', 'held']];
        foreach ([
            'Before the festival' => [
                [
                    'all' => [
                        $notDone,
                        [
                            'any' => [
                                ['field' => 'category', 'op' => 'in', 'value' => [(string) $late->id]],
                                ['field' => 'subject', 'op' => 'has_any_word', 'value' => ['festival', 'saturday']],
                            ],
                        ],
                    ],
                ],
                Sort::NextUp, ['number', 'state', 'owner', 'due'],
            ],
            'Said in public' => [
                ['all' => [$notDone, ['field' => 'public', 'op' => 'is', 'value' => true]]], Sort::Latest,
                ['account', 'state', 'owner', 'last_message'],
            ],
        ] as $name => [$condition, $sort, $columns]) {
            (new SavedView)
                ->forceFill([
                    'name' => $name, 'teammate_id' => $mads->id, 'shared_with' => SharedWith::Everybody, 'condition' => $condition,
                    'columns' => $columns, 'sort' => $sort, 'board_by' => BoardBy::State,
                ])
                ->save();
        }
    }

    private function addChecklists(): void
    {
        $faulty = Category::query()->where('name', 'Faulty item')->firstOrFail();
        foreach ([
            [
                'Damaged on arrival', $faulty->id,
                [
                    'Ask for a photo of the damage and of the label', 'Read the batch letter inside the keel',
                    'See whether the part is in stock', 'Send again or give money back', 'Tell the workshop when it is batch K',
                ],
            ],
            [
                'Lost parcel', Category::query()->where('name', 'Lost parcel')->firstOrFail()->id,
                ['Ask the carrier', 'Wait three working days', 'Send again, or give money back'],
            ],
        ] as [$name, $category, $steps]) {
            (new Checklist)->forceFill(['name' => $name, 'category_id' => $category, 'steps' => $steps])->save();
        }
    }

    private function addGroups(): void
    {
        foreach (
            [
                'Wholesale' => [['field' => 'email domain', 'is' => 'kitebarn.example']],
                'Regulars' => [['field' => 'orders at least', 'is' => '2']],
                'Festival club' => [['field' => 'club', 'is' => 'festival']],
            ] as $name => $conditions
        ) {
            (new CustomerGroup)
                ->forceFill(['name' => $name, 'place' => $name === 'Wholesale' ? 1 : 5, 'conditions' => $conditions])
                ->save();
        }
    }

    private function addCompanies(): void
    {
        foreach (
            [
                ['Kite Barn', 'kitebarn.example', 'mads', ["Kite Barn\nUnit 4, The Barn\nWhitby YO22 4PT\nUnited Kingdom"]],
                [
                    'North Pier Museum', 'northpier.example', 'ruta',
                    ["North Pier Museum\nPier Road 1\nBlackpool FY1 2NE\nUnited Kingdom", 'Deliveries: pier entrance, not before ten'],
                ],
            ] as [$name, $domain, $responsible, $addresses]
        ) {
            $this->companies->save(
                null, $name, [$domain], $addresses, Teammate::query()->where('email', "{$responsible}@brindle.example")->sole()->id
            );
        }
    }

    private function addCategories(): void
    {
        $position = 0;
        foreach (self::CATEGORIES as $parentName => $children) {
            $parent = Category::query()->create([
                'name' => $parentName, 'customer_name' => $parentName, 'path' => $parentName, 'position' => $position++,
            ]);
            foreach ($children as $name => $customerName) {
                Category::query()->create([
                    'parent_id' => $parent->id,
                    'name' => $name,
                    'customer_name' => $customerName,
                    'path' => "{$parentName} › {$name}",
                    'position' => $position++,
                ]);
            }
        }
    }
}
