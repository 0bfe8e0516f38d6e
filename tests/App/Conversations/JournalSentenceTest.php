<?php

declare(strict_types=1);

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal;
use App\Conversations\JournalEntry;
use App\Conversations\JournalKind;
use App\Conversations\JournalSentence;
use Carbon\CarbonImmutable;
use Tests\App\Mails;

/*
 * What is written down is read as a sentence, on the trail and in the history of whoever looks back.
 */

beforeEach(fn () => CarbonImmutable::setTestNow('2026-11-23T10:00:00Z'));

/**
 * @param  array<string, string|null>  $details
 */
function entryOf(Conversation $conversation, JournalKind $kind, array $details = [], string $why = '', ?string $by = 'ilse'): JournalEntry
{
    $actor = $by === null ? Actor::application() : Actor::teammate(test()->teammate($by));

    return app(Journal::class)->record($conversation, $kind, $actor, $details, $why)->load('teammate');
}

it('says of each kind what happened, by whom and why', function (
    JournalKind $kind, array $details, string $why, ?string $by, string $sentence
): void {
    expect(app(JournalSentence::class)->of(entryOf(Mails::conversation(), $kind, $details, $why, $by)))->toBe($sentence);
})->with(function (): Generator {
    $all = [
        'began' => [['linked' => 'C-1001'], '', null, 'Began as a new conversation that links to C-1001'],
        'message_received' => [[], '', null, 'The customer wrote'],
        'replied' => [['to' => 'a@x.example'], '', 'ilse', 'Ilse Norrby replied'],
        'noted' => [[], '', 'ilse', 'Ilse Norrby wrote a note'],
        'state_changed' => [
            ['from' => 'open', 'to' => 'held', 'until' => '2026-11-24T08:00:00Z'], 'the bench looks', 'ilse',
            'Held by Ilse Norrby: the bench looks, comes back Tue 08:00',
        ],
        'owner_changed' => [['to' => 'Mads Overgaard'], '', 'ilse', 'Given to Mads Overgaard by Ilse Norrby'],
        'category_changed' => [['to' => 'Delivery › Late parcel'], '', 'ilse', 'Category Delivery › Late parcel by Ilse Norrby'],
        'team_changed' => [['to' => 'Returns bench'], '', 'ilse', 'Given to the team Returns bench by Ilse Norrby'],
        'priority_changed' => [['to' => 'high'], '', 'ilse', 'Priority high by Ilse Norrby'],
        'tags_changed' => [['given' => 'batch K', 'taken' => 'vip'], '', 'ilse', 'Tagged batch K, tag vip taken away by Ilse Norrby'],
        'language_changed' => [['to' => 'German'], '', 'ilse', 'Language German by Ilse Norrby'],
        'field_changed' => [['field' => 'Batch', 'to' => 'K'], '', 'ilse', 'Batch set to K by Ilse Norrby'],
        'scheduled' => [
            ['at' => '2026-11-24T08:00:00Z', 'unless_answered' => '1'], '', 'ilse',
            'To be sent Tue 08:00, unless the customer answers first by Ilse Norrby',
        ],
        'schedule_called_off' => [
            [], 'the customer answered first', null, 'An answer to be sent later was called off (the customer answered first)',
        ],
        'forwarded' => [['to' => 'desk@wren.example'], '', 'ilse', 'Forwarded to desk@wren.example by Ilse Norrby'],
        'partner_asked' => [['partner' => 'Wren Parcel'], '', 'ilse', 'Asked Wren Parcel by Ilse Norrby'],
        'partner_answered' => [['partner' => 'Wren Parcel'], '', null, 'Wren Parcel answered'],
        'copies_changed' => [['to' => null], '', 'ilse', 'Nobody gets copies any more by Ilse Norrby'],
        'checklist_started' => [['name' => 'Lost parcel'], '', 'ilse', 'Checklist “Lost parcel” started by Ilse Norrby'],
        'checklist_ticked' => [
            ['step' => 'Ask the carrier', 'undone' => '1'], '', 'ilse', 'Tick taken back: Ask the carrier by Ilse Norrby',
        ],
        'task_made' => [['for' => 'Mads', 'task' => 'Call them'], '', 'ilse', 'Task for Mads: Call them by Ilse Norrby'],
        'task_done' => [['task' => 'Call them'], '', 'ilse', 'Task done: Call them by Ilse Norrby'],
        'comes_back' => [['until' => '2026-11-24T08:00:00Z'], '', 'ilse', 'To come back Tue 08:00 by Ilse Norrby'],
        'called_back' => [[], '', 'ilse', 'Called back before it was on its way by Ilse Norrby'],
        'bulk_undone' => [['what' => 'Priority urgent'], '', 'ilse', 'Undone: Priority urgent by Ilse Norrby'],
        'delivered' => [[], '', null, 'The answer was delivered'],
        'delivery_failed' => [
            ['to' => 'a@x.example'], '550 no such mailbox', null,
            'The answer to a@x.example could not be delivered (550 no such mailbox)',
        ],
        'sending_again' => [[], '', 'ilse', 'Sending the answer again by Ilse Norrby'],
        'edited_at_source' => [[], '', null, 'The customer changed what they had written there'],
        'removed_at_source' => [[], '', null, 'The customer removed it there'],
        'order_attached' => [['order' => 'B-20388'], 'number', null, 'Order B-20388 put beside it (number)'],
        'order_detached' => [['order' => 'B-20388'], '', 'ilse', 'Order B-20388 taken away by Ilse Norrby'],
        'order_changed' => [['order' => 'B-20388', 'refunded' => '€20.00'], '', null, 'Order B-20388: €20.00 given back'],
        'parcel_seen' => [['parcel' => 'WP77', 'stage' => 'at_depot', 'place' => 'Aarhus'], '', null, 'Parcel WP77: at depot, Aarhus'],
        'junked' => [[], '', 'ilse', 'Put with the junk by Ilse Norrby'],
        'not_junk' => [[], '', 'ilse', 'Taken back from the junk by Ilse Norrby'],
        'joined' => [['other' => 'C-1002'], '', 'ilse', 'C-1002 joined into this one by Ilse Norrby'],
        'split_off' => [['other' => 'C-1003'], '', 'ilse', 'A message was split off into C-1003 by Ilse Norrby'],
        'separated' => [['other' => 'C-1002'], '', 'ilse', 'C-1002 made a conversation of its own again by Ilse Norrby'],
        'liked' => [['undone' => '1'], '', 'ilse', 'Like taken back by Ilse Norrby'],
        'reposted' => [[], '', 'ilse', 'Re-posted in public by Ilse Norrby'],
        'customer_merged' => [['names' => 'Ana and Ana W.'], '', 'ilse', 'Customer merged: Ana and Ana W. by Ilse Norrby'],
        'customer_separated' => [[], '', 'ilse', 'Merged customers separated again by Ilse Norrby'],
        'imported' => [[], '', 'corin', 'Taken over from earlier history by Corin Hale'],
        'receipt_sent' => [['to' => 'a@x.example'], '', null, 'Receipt with the number sent to a@x.example'],
        'nudge_started' => [
            ['plan' => 'No answer', 'next' => '2026-11-26T08:00:00Z'], '', 'ilse',
            'Nudge plan “No answer” started, first reminder Thu 08:00 by Ilse Norrby',
        ],
        'nudge_called_off' => [
            ['plan' => 'No answer'], 'the customer answered', null, 'Nudge plan “No answer” called off (the customer answered)',
        ],
        'rated' => [['score' => '2', 'comment' => 'Slow.'], '', null, 'The customer gave 2 of 5 stars: “Slow.”'],
        'approval_asked' => [['of' => 'Mads Overgaard'], '', 'ilse', 'Asked Mads Overgaard for an approval by Ilse Norrby'],
        'approval_answered' => [
            ['answer' => 'declined', 'question' => 'A new bag?'], 'Once is enough', 'mads',
            'Declined: A new bag? by Mads Overgaard (Once is enough)',
        ],
        'rule_ran' => [['rule' => 'Batch K'], 'Text has “ferrule”', null, 'Rule “Batch K” (Text has “ferrule”)'],
        'rule_failed' => [
            ['rule' => 'Batch K'], 'the template has gone', null, 'Rule “Batch K” could not be carried out (the template has gone)',
        ],
    ];
    foreach (JournalKind::cases() as $kind) {
        yield $kind->value => [$kind, ...$all[$kind->value] ?? throw new LogicException("JournalSentenceTest has no {$kind->value}.")];
    }
});

it('says it of an old entry, too, which holds less than is written down today', function (JournalKind $kind): void {
    $details = $kind === JournalKind::StateChanged ? ['to' => 'open'] : [];
    foreach (['ilse', null] as $by) {
        $sentence = app(JournalSentence::class)->of(entryOf(Mails::conversation(), $kind, $details, '', $by));
        // Tags that neither came nor went leave nothing to say but by whom.
        expect($sentence)->toMatch($kind === JournalKind::TagsChanged ? '/^( by Ilse Norrby)?$/' : '/^\p{Lu}/u')->not->toContain('_');
    }
})->with(JournalKind::cases());

it('stands on the trail, with what a rule did told as the rule’s', function (): void {
    $conversation = Mails::conversation();
    entryOf($conversation, JournalKind::PriorityChanged, ['to' => 'urgent', 'rule' => 'Before the festival'], '', null);
    entryOf($conversation, JournalKind::Rated, ['score' => '4', 'comment' => '<b>Kind</b>'], '', null);
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")
        ->assertSee('Priority urgent by the rule “Before the festival”')
        ->assertSee('“<b>Kind</b>”')->assertDontSee('<b>Kind</b>', false);
});
