<?php

declare(strict_types=1);

namespace Tests\Fixtures;

use App\Answering\Draft;
use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Channels\Account;
use App\Channels\Channel;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Health\Heartbeats;
use App\Health\Part;
use App\Orders\AttachOrders;
use App\Orders\Order;
use App\SignIn\SignIns;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Support\FileStore;
use App\Team\Team;
use App\Team\Teammate;
use App\Workspace\Trail;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\App\Mails;
use Tests\App\Services;

/**
 * One of everything that an address can name, so that whoever may open it finds something there.
 */
final class OneOfEach
{
    /**
     * @return array<string, int|string> by the name of the parameter in a route
     */
    public static function make(): array
    {
        // All parts are at work.
        foreach (Part::cases() as $part) {
            Heartbeats::works($part, 600);
        }
        $ilse = Teammate::query()->where('email', 'ilse@brindle.example')->sole();
        $account = Services::account(Channel::Email);
        Services::take(Channel::Shop, Services::order());
        Services::take(Channel::Pennon, Services::post('@brindlekites hello'));
        $conversation = Mails::conversation();
        $other = Mails::conversation(['From' => 'Una Berg <una@berg.example>', 'Subject' => 'Another one']);
        $message = $conversation->messages()->firstOrFail();
        $order = Order::query()->firstOrFail();
        app(AttachOrders::class)->one($conversation, $order, 'hand', Actor::teammate($ilse));

        return [
            ...self::ofTheInbox($ilse, $account, $conversation, $other, $message),
            ...self::ofCustomers($ilse, $conversation, $other),
            ...self::arranged($ilse),
            ...self::keptForAdministrators($account),
            'account' => $account->id,
            'signIn' => SignIns::note($ilse, '127.0.0.1', 'Test')->id,
            'conversation' => $conversation->id,
            'message' => $message->id,
            'answer' => app(SendReply::class)->send($other, $ilse, new ReplyToSend(
                'Hello Una.', [], ConversationState::Waiting, null, Str::uuid()->toString(), app(Trail::class)->lastSeen($other), waits: 60,
            ))->id,
            'teammate' => $ilse->id,
            'team' => Team::query()->firstOrFail()->id,
            'order' => $order->id,
            ...self::ofReturns($order, $conversation),
            'refund' => $refund = self::row('refunds', [
                'order_id' => $order->id, 'teammate_id' => $ilse->id, 'state' => 'stuck', 'once_key' => hash('sha256', 'refund'),
                'reason' => 'Faulty', 'currency' => 'EUR', 'chosen' => '[]', 'explained' => '[]', 'delivery_net' => 0, 'delivery_tax' => 0,
                'delivery_gross' => 0, 'fee' => 0, 'label' => 0, 'goodwill' => 0, 'total' => 0, 'asked_at' => now(),
            ]),
            'payout' => self::row('payouts', [
                'refund_id' => $refund, 'order_payment_id' => (int) DB::table('order_payments')->where('order_id', $order->id)->value('id'),
                'amount' => 0, 'state' => 'done', 'once' => Str::uuid()->toString(),
            ]),
            'exchange' => self::row('exchanges', [
                'order_id' => $order->id, 'state' => 'asked', 'once_key' => hash('sha256', 'exchange'), 'reason' => 'Faulty',
                'currency' => 'EUR',
                'goods' => '[{"sku":"REE-12","title":"Reel","quantity":1,"price":0}]', 'worth' => 0, 'kept' => 0, 'to_pay' => 0,
                'asked_at' => now(),
            ]),
            'note' => self::row('credit_notes', [
                'number' => 1, 'refund_id' => $refund, 'once' => 'refund-1', 'language' => 'en', 'link_key' => Str::uuid()->toString(),
                'content' => json_encode([
                    'store' => ['name' => 'Brindle', 'imprint' => '', 'country' => 'DK'],
                    'to' => ['name' => 'Ana', 'address' => '', 'country' => 'DK'], 'currency' => 'EUR', 'reason' => 'Faulty',
                    'order' => ['number' => 'B-20388', 'placed_on' => '2026-11-11'], 'lines' => [], 'delivery' => null, 'deduction' => 0,
                    'fee' => 0, 'label' => 0, 'goodwill' => 500, 'total' => 500, 'payments' => [],
                    'rates' => [['rate' => '25', 'net' => 400, 'tax' => 100, 'gross' => 500]],
                ]), 'issued_at' => now(),
                'file' => app(FileStore::class)->keep('%PDF-1.4 note'), 'sha256' => hash('sha256', 'note'),
            ]),
            'item' => (int) DB::table('channel_items')->value('id'),
        ];
    }

    /**
     * @return array<string, int|string>
     */
    private static function ofTheInbox(
        Teammate $ilse, Account $account, Conversation $conversation, Conversation $other, Message $message
    ): array {
        $file = ['name' => 'kite.txt', 'size' => 4, 'sha256' => hash('sha256', 'kite'), 'file' => app(FileStore::class)->keep('kite')];
        (new Draft)->forceFill([
            'conversation_id' => $conversation->id, 'teammate_id' => $ilse->id, 'kind' => Draft::REPLY, 'text' => 'Hello', 'files' => [
                [...$file, 'type' => 'text/plain'],
            ],
        ])->save();
        $plan = self::row('nudge_plans', [
            'name' => 'No answer', 'steps' => '[]', 'end_days' => 3, 'end_outcome_id' => Outcome::query()->firstOrFail()->id,
        ]);

        return [
            'attachment' => self::row('attachments', [...$file, 'message_id' => $message->id, 'media_type' => 'text/plain']),
            'sha256' => $file['sha256'],
            'kind' => Draft::REPLY,
            'approval' => self::row('approvals', [
                'conversation_id' => $conversation
                    ->id, 'question' => 'A new bag?', 'state' => 'asked', 'asked_at' => now(), 'asked_by' => $ilse
                    ->id,
            ]),
            'scheduled' => self::row('scheduled_replies', [
                'conversation_id' => $other->id, 'teammate_id' => $ilse
                    ->id, 'send_at' => now()
                    ->addDay(), 'unless_answered' => 0, 'state' => 'due', 'once_key' => hash('sha256', 'x'),
                'reply' => json_encode([
                    'text' => 'Later', 'files' => [], 'then' => 'waiting', 'outcome' => null, 'once' => 'x', 'html' => null,
                    'route' => null, 'cc' => [], 'bcc' => [], 'own_name' => false,
                ]),
            ]),
            'plan' => $plan,
            'nudge' => self::row('nudges', [
                'conversation_id' => $conversation->id, 'nudge_plan_id' => $plan, 'teammate_id' => $ilse
                    ->id, 'state' => 'running', 'started_at' => now(), 'next_at' => now()
                    ->addDay(),
            ]),
            'started' => self::row('started_checklists', [
                'conversation_id' => $conversation->id, 'name' => 'Lost parcel', 'steps' => json_encode([
                    ['text' => 'Ask the carrier', 'by' => null, 'at' => null],
                ]),
            ]),
            'task' => self::row(
                'tasks',
                [
                    'assignee_id' => $ilse->id, 'made_by_id' => $ilse->id, 'title' => 'Ask', 'due_at' => now()->addDay(),
                    'updated_at' => now(),
                ]
            ),
            'bulk' => self::row(
                'bulk_changes',
                [
                    'teammate_id' => $ilse->id, 'does' => 'priority', 'label' => 'Priority urgent', 'state' => 'planned',
                    'created_at' => now(),
                ]
            ),
            'view' => self::row('saved_views', [
                ...collect((array) DB::table('saved_views')->first())
                    ->except('id', 'name', 'teammate_id')
                    ->all(), 'name' => 'Ilse’s own', 'teammate_id' => $ilse->id,
            ]),
        ];
    }

    /**
     * @return array<string, int|string>
     */
    private static function ofReturns(Order $order, Conversation $conversation): array
    {
        $policy = DB::table('return_policies')->first(['id', 'reason_id', 'terms']);
        $label = app(FileStore::class)->keep('%PDF-1.4 label');
        $return = self::row('returns', [
            'order_id' => $order->id, 'customer_id' => $order->customer_id, 'conversation_id' => $conversation->id,
            'reason_id' => $policy->reason_id, 'policy_id' => $policy->id, 'policy_version' => 1, 'terms' => $policy->terms,
            'state' => 'agreed', 'once_key' => hash('sha256', 'return'), 'label_key' => Str::uuid()->toString(), 'label_number' => 'WP791',
            'label_file' => $label, 'asked_at' => now(), 'agreed_at' => now(),
        ]);
        self::row('return_lines', ['return_id' => $return, 'order_line_id' => $order->lines()->firstOrFail()->id, 'quantity' => 1]);

        return [
            'return' => $return, 'policy' => (int) $policy->id, 'reason' => (int) $policy->reason_id,
            'photo' => self::row('return_photos', [
                'return_id' => $return, 'name' => 'kite.png', 'media_type' => 'image/png', 'size' => 4, 'sha256' => hash('sha256', 'kite'),
                'file' => app(FileStore::class)->keep('kite'), 'at' => now(),
            ]),
        ];
    }

    /**
     * @return array<string, int|string>
     */
    private static function ofCustomers(Teammate $ilse, Conversation $conversation, Conversation $other): array
    {
        $company = self::row('companies', ['name' => 'Kite Barn', 'name_folded' => 'kite barn', 'addresses' => '[]']);
        $museum = self::row('companies', ['name' => 'Air Museum', 'name_folded' => 'air museum', 'addresses' => '[]']);

        return [
            'company' => $company,
            'companyMerge' => self::row('company_merges', [
                'kept_id' => $company, 'merged_id' => $museum, 'teammate_id' => $ilse->id, 'moved' => '{}',
                'given' => '{"addresses": [], "responsible": null}', 'at' => now(),
            ]),
            'companyProposal' => self::row(
                'company_proposals', ['company_id' => $company, 'customer_id' => $conversation->customer_id, 'state' => 'proposed']
            ),
            'customer' => $conversation->customer_id,
            'group' => (int) DB::table('customer_groups')->value('id'),
            'merge' => self::row('customer_merges', [
                'kept_id' => $conversation->customer_id, 'merged_id' => $other
                    ->customer_id, 'teammate_id' => $ilse
                    ->id, 'moved' => '{}', 'at' => now(),
            ]),
            'proposal' => self::row('duplicate_proposals', [
                'one_id' => $conversation->customer_id, 'other_id' => $other
                    ->customer_id, 'points' => 50, 'reasons' => '[]', 'state' => 'proposed',
            ]),
        ];
    }

    /**
     * @return array<string, int|string>
     */
    private static function arranged(Teammate $ilse): array
    {
        $template = self::row(
            'templates',
            [
                'name' => 'Thanks', 'folder' => '', 'shared_with' => 'everybody', 'teammate_id' => $ilse->id, 'steps' => '[]',
                'version' => 1, 'updated_at' => now(),
            ]
        );
        self::row('template_languages', ['template_id' => $template, 'language' => 'en', 'text' => 'Thank you.'], false);
        self::row('template_versions', [
            'template_id' => $template, 'version' => 1, 'what' => 'made', 'at' => now(),
            'content' => json_encode([
                'name' => 'Thanks', 'folder' => '', 'shared_with' => 'everybody', 'team' => null, 'texts' => [], 'steps' => [],
                'categories' => [],
            ]),
        ], false);

        $tagIt = [
            'name' => 'Tag it', 'way' => 'every', 'events' => ['first_message'], 'condition' => ['all' => []],
            'actions' => [['do' => 'add_tag', 'text' => 'seen']], 'changed_by' => 'leads',
        ];
        $rule = self::row('rules', [
            ...array_map(static fn (mixed $value): string => is_string($value) ? $value : (string) json_encode($value), $tagIt),
            'place' => 1, 'version' => 1,
        ]);
        self::row('rule_versions', [
            'rule_id' => $rule, 'version' => 1, 'what' => 'made', 'at' => now(),
            'content' => json_encode([...$tagIt, 'on' => false, 'clock' => null, 'notes' => null]),
        ], false);

        return [
            'template' => $template,
            'version' => 1,
            'format' => 'csv',
            'key' => 'none',
            'name' => 'contact',
            'file' => self::row(
                'template_files',
                [
                    'template_id' => $template, 'name' => 'a.txt', 'media_type' => 'text/plain', 'size' => 4,
                    'sha256' => hash('sha256', 'kite'), 'file' => app(FileStore::class)->keep('kite'),
                ]
            ),
            'rule' => $rule,
            'hook' => self::row('hooks', ['name' => 'Stock', 'address' => 'https://stock.example/hook', 'secret' => encrypt('x')]),
            'category' => Category::query()->firstOrFail()->id,
            'outcome' => Outcome::query()->firstOrFail()->id,
            'tag' => self::row('tags', ['name' => 'Festival', 'folded' => 'festival']),
            'field' => self::row(
                'own_fields', ['about' => 'conversation', 'name' => 'Wind', 'word' => 'wind', 'kind' => 'text', 'choices' => '[]']
            ),
            'checklist' => (int) DB::table('checklists')->value('id'),
            'set' => (int) DB::table('promise_sets')->value('id'),
            'calendar' => (int) DB::table('calendars')->value('id'),
        ];
    }

    /**
     * @return array<string, int|string>
     */
    private static function keptForAdministrators(Account $account): array
    {
        return [
            'sender' => self::row('blocked_senders', ['kind' => 'email', 'value' => 'spam@spam.example']),
            'import' => self::row(
                'history_imports',
                [
                    'account_id' => $account->id, 'format' => 'mbox', 'name' => 'old.mbox', 'file' => 'none', 'state' => 'stopped',
                    'size' => 4, 'created_at' => now(), 'updated_at' => now(),
                ]
            ),
            'trace' => self::row(
                'event_traces',
                [
                    'account_id' => $account->id, 'way' => 'webhook', 'problem' => 'bad_json', 'reason' => 'No JSON.',
                    'state' => 'kept', 'same_key' => Str::random(64), 'at' => now(),
                ]
            ),
            'mail' => self::row(
                'unreadable_mail',
                [
                    'sha256' => Str::random(64), 'original' => app(FileStore::class)->keep(Mails::raw()), 'size' => 4,
                    'reason' => 'Too large.', 'received_at' => now(), 'state' => 'kept', 'account_id' => $account->id,
                ]
            ),
        ];
    }

    /**
     * @param  array<string, mixed>  $values
     */
    private static function row(string $table, array $values, bool $hasId = true): int
    {
        if (! $hasId) {
            DB::table($table)->insert($values);

            return 0;
        }

        return DB::table($table)->insertGetId($values);
    }
}
