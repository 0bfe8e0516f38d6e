<?php

declare(strict_types=1);

namespace Tests\Fixtures;

use App\Channels\Account;
use App\Channels\Channel;
use App\Checklists\Checklist;
use App\Customers\CustomerGroup;
use App\Hours\OtherDay;
use App\Hours\WorkCalendar;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Support\OutsideHosts;
use App\Team\Role;
use App\Team\Team;
use App\Team\Teammate;
use App\Views\BoardBy;
use App\Views\SavedView;
use App\Views\SharedWith;
use App\Views\Sort;
use Cairnfield\Core\Assigning\Method;

/**
 * The store that the application's tests work in: five people, two teams, every way in, and what conversations are
 * sorted by. It is put into each test database once; a test changes it in a transaction of its own.
 */
final class SmallStore
{
    public const PASSWORD = 'kites-and-cairns';

    /** By the first name: role, team, weight of its turns, languages. */
    private const PEOPLE = [
        'Ilse Norrby' => [Role::Care, 'Care', 3, ['da', 'sv']],
        'Mads Overgaard' => [Role::Lead, 'Care', 1, ['da']],
        'Ruta Kalnina' => [Role::Care, 'Care', 2, ['lv', 'de']],
        'Femi Adewale' => [Role::ReturnsBench, 'Returns bench', 1, null],
        'Corin Hale' => [Role::Administrator, 'Care', 0, null],
    ];

    private const WORDS_ASKED = ['order', 'parcel', 'broken', 'help', 'where', 'when', 'how', 'which'];

    /** In each branch of the tree: the inside name, and the customers' name. */
    private const CATEGORIES = [
        'Delivery' => ['Late parcel' => 'My parcel is late', 'Change order' => 'Change my order', 'Lost parcel' => 'My parcel is lost'],
        'Product' => [
            'Faulty item' => 'Something is broken', 'Wrong item' => 'I got the wrong thing', 'Missing part' => 'A part is missing',
            'Before buying' => 'A question before buying', 'Spare parts' => 'Spare parts',
        ],
        'Return' => ['Return' => 'Return something', 'Exchange' => 'Exchange something'],
        'Payment' => ['Refund' => 'My refund', 'Invoice' => 'My invoice', 'Gift card' => 'Gift cards'],
        'Trade' => ['Wholesale' => 'Wholesale'],
        'Other' => ['Not for us' => 'Something else'],
    ];

    private const OUTCOMES = [
        'Information given', 'Sent again', 'Refunded', 'Exchanged', 'Order changed', 'Invoice sent', 'No answer', 'Duplicate', 'Junk',
    ];

    public function build(): void
    {
        $teams = $this->people();
        // What stands in for the outside runs on this machine.
        app(OutsideHosts::class)->allow('127.0.0.1');
        $this->mailAccounts($teams);
        $this->services($teams['Care']);
        $this->formAndTelephone($teams['Care']);
        $this->hours();
        $this->sorting();
        $this->checklistsAndViews();
        foreach (
            [
                'Wholesale' => ['email domain', 'kitebarn.example', 1], 'Regulars' => ['orders at least', '2', 5],
                'Festival club' => ['club', 'festival', 5],
            ] as $name => [$field, $is, $place]
        ) {
            (new CustomerGroup)->forceFill(
                ['name' => $name, 'place' => $place, 'conditions' => [['field' => $field, 'is' => $is]]]
            )->save();
        }
    }

    private function hours(): void
    {
        $weekdays = array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], [['09:00', '17:00']]);
        $calendar = WorkCalendar::query()->where('is_main', true)->firstOrFail()->forceFill([
            'time_zone' => 'Europe/Copenhagen', 'week' => [...$weekdays, 'sat' => [['10:00', '14:00']]],
        ]);
        $calendar->save();
        $closed = ['2026-12-24', '2026-12-25', '2026-12-26', '2027-01-01', '2027-03-25', '2027-03-26', '2027-03-29', '2027-05-06',
            '2027-05-17'];
        foreach ([...array_fill_keys($closed, []), '2026-12-31' => [['09:00', '12:00']]] as $date => $open) {
            (new OtherDay)->forceFill(['calendar_id' => $calendar->id, 'date' => $date, 'open' => $open])->save();
        }
    }

    /**
     * @return array<string, Team> by name
     */
    private function people(): array
    {
        $teams = [];
        foreach (['Care' => Method::Weighted, 'Returns bench' => null] as $name => $turns) {
            $teams[$name] = (new Team)->forceFill(['name' => $name, 'turns' => $turns]);
            $teams[$name]->save();
        }
        foreach (self::PEOPLE as $name => [$role, $team, $weight, $speaks]) {
            $teammate = Teammate::query()->create([
                'name' => $name,
                'email' => strtolower(strtok($name, ' ')).'@brindle.example',
                'password' => self::PASSWORD,
                'role' => $role,
                'time_zone' => 'Europe/Copenhagen',
            ]);
            $teammate->forceFill(['password_chosen_at' => now()])->save();
            $teammate->forceFill(['speaks' => $speaks])->save();
            $teammate->teams()->attach($teams[$team]->id, ['weight' => $weight]);
        }

        return $teams;
    }

    /**
     * @param  array<string, Team>  $teams
     */
    private function mailAccounts(array $teams): void
    {
        foreach (
            [
                'care' => ['Brindle Kite Works', 'Care'], 'returns' => ['Brindle returns', 'Returns bench'],
                'wholesale' => ['Brindle wholesale', 'Care'],
            ] as $local => [$sender, $team]
        ) {
            $server = static fn (string $kind, string $user): array => [
                "{$kind}_host" => '127.0.0.1', "{$kind}_port" => config(
                    "cairnfield.demo.{$kind}_port"
                ), "{$kind}_security" => 'none', "{$kind}_user" => $user,
            ];
            $this->account(Channel::Email, "{$local}@brindle.example", $teams[$team], [
                'sender_name' => $sender,
                'signature' => "{$sender}\nQuayside 4, open Monday to Friday 9 to 17, Saturday 10 to 14",
                'settings' => [...$server('imap', "{$local}@brindle.example"), ...$server('smtp', '')],
                'secrets' => ['imap_password' => config('cairnfield.demo.password'), 'forward_secret' => bin2hex(random_bytes(24))],
            ]);
        }
    }

    private function services(Team $care): void
    {
        $services = [
            [Channel::Pennon, '@brindlekites', 0, $care, null, ['join_hours' => 12, 'mentions' => 'all']],
            [
                Channel::Pennon, '@brindletrade', 0, $care, null,
                ['join_hours' => 24, 'mentions' => 'words', 'words' => ['order', 'invoice', 'carton', 'wholesale']],
            ],
            [Channel::Snapline, 'brindle.kites', 1, $care, null, ['join_hours' => 12, 'mentions' => 'words', 'words' => self::WORDS_ASKED]],
            [Channel::Marrowby, 'brindle-kites', 2, $care, '##-#######', []],
            [Channel::Quaymart, 'BRINDLE', 3, $care, 'QM########', []],
            [Channel::Shop, 'brindle', 4, null, 'B-2####', []],
            [Channel::WrenParcel, 'brindle', 5, null, null, []],
            [Channel::Tollgate, 'brindle', 6, null, null, []],
        ];
        foreach ($services as [$channel, $name, $place, $team, $numbers, $arrivals]) {
            $this->account($channel, $name, $team, [
                'settings' => array_filter([
                    'base_url' => 'http://127.0.0.1:'.((int) config('cairnfield.demo.services_port') + $place),
                    'number_patterns' => $numbers,
                ]),
                'secrets' => [
                    'api_key' => config('cairnfield.demo.password').'-'.preg_replace('/\W/', '', $name),
                    'webhook_secret' => bin2hex(random_bytes(24)),
                ],
                'arrivals' => $arrivals,
            ]);
        }
    }

    private function formAndTelephone(Team $care): void
    {
        $answersBy = Account::query()->where('address', 'care@brindle.example')->sole()->id;
        $this->account(Channel::WebForm, 'contact', $care, [
            'settings' => [
                'title' => 'Write to Brindle Kite Works',
                'introduction' => 'We answer on working days.',
                'fields' => 'Batch letter, inside the keel',
                'frame_origins' => 'http://127.0.0.1:'.((int) config('cairnfield.demo.services_port') + 4),
                'answers_by' => $answersBy,
                'receipt' => true,
                'returns' => true,
            ],
        ]);
        $this->account(
            Channel::Telephone, 'telephone', $care, ['settings' => ['answers_by' => $answersBy], 'arrivals' => ['join_hours' => 0]]
        );
    }

    /**
     * @param  array<string, mixed>  $more
     */
    private function account(Channel $channel, string $address, ?Team $team, array $more): void
    {
        Account::query()->create(
            [
                'channel' => $channel, 'address' => $address, 'sender_name' => 'Brindle Kite Works', 'team_id' => $team?->id,
                'secrets' => [], ...$more,
            ]
        )->forceFill($channel->isMail() ? ['takes_details' => true, 'details_tried_at' => now()] : [])->save();
    }

    private function sorting(): void
    {
        $position = 0;
        foreach (self::CATEGORIES as $branch => $children) {
            $parent = Category::query()->create(
                ['name' => $branch, 'customer_name' => $branch, 'path' => $branch, 'position' => $position++]
            );
            foreach ($children as $name => $customerName) {
                Category::query()->create([
                    'parent_id' => $parent
                        ->id, 'name' => $name, 'customer_name' => $customerName, 'path' => "{$branch} › {$name}", 'position' => $position++,
                ]);
            }
        }
        foreach (self::OUTCOMES as $position => $name) {
            Outcome::query()->create(['name' => $name, 'position' => $position]);
        }
    }

    private function checklistsAndViews(): void
    {
        $category = static fn (string $name): int => Category::query()->where('name', $name)->sole()->id;
        foreach ([
            'Damaged on arrival' => [
                'Faulty item',
                [
                    'Ask for a photo of the damage and of the label', 'Read the batch letter inside the keel',
                    'See whether the part is in stock', 'Send again or give money back', 'Tell the workshop when it is batch K',
                ],
            ],
            'Lost parcel' => ['Lost parcel', ['Ask the carrier', 'Wait three working days', 'Send again, or give money back']],
        ] as $name => [$of, $steps]) {
            (new Checklist)->forceFill(['name' => $name, 'category_id' => $category($of), 'steps' => $steps])->save();
        }
        $notDone = ['field' => 'state', 'op' => 'in', 'value' => ['open', 'waiting', 'held']];
        $ofFestival = ['any' => [
            ['field' => 'category', 'op' => 'in', 'value' => [(string) $category('Late parcel')]],
            ['field' => 'subject', 'op' => 'has_any_word', 'value' => ['festival', 'saturday']],
        ]];
        $mads = Teammate::query()->where('email', 'mads@brindle.example')->sole();
        foreach ([
            'Before the festival' => [$ofFestival, Sort::NextUp, ['number', 'state', 'owner', 'due']],
            'Said in public' => [
                ['field' => 'public', 'op' => 'is', 'value' => true], Sort::Latest, ['account', 'state', 'owner', 'last_message'],
            ],
        ] as $name => [$which, $sort, $columns]) {
            (new SavedView)->forceFill([
                'name' => $name, 'teammate_id' => $mads->id, 'shared_with' => SharedWith::Everybody, 'condition' => [
                    'all' => [$notDone, $which],
                ],
                'columns' => $columns, 'sort' => $sort, 'board_by' => BoardBy::State,
            ])->save();
        }
    }
}
