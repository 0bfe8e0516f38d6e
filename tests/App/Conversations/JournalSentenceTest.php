<?php

declare(strict_types=1);

use App\Answering\Happened as Answering;
use App\Approvals\ApprovalState;
use App\Approvals\Happened as Approvals;
use App\Bulk\Happened\BulkUndone;
use App\Channels\Channel;
use App\Checklists\Happened as Checklists;
use App\Companies\Happened as Companies;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Happened;
use App\Conversations\Journal\Cause;
use App\Conversations\Journal\CauseKind;
use App\Conversations\Journal\CurrentCause;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\JournalSentence;
use App\Conversations\Journal\Named;
use App\Conversations\Journal\Payload;
use App\Conversations\Journal\PayloadFormat;
use App\Conversations\Journal\Payloads;
use App\Customers\Happened as Customers;
use App\Exchanges\ExchangeState;
use App\Exchanges\Happened as Exchanges;
use App\History\Happened\Imported;
use App\Joining\Happened as Joining;
use App\Nudges\Happened as Nudges;
use App\Orders\Happened as Orders;
use App\Promises\Happened as Promises;
use App\Promises\PromisedKind;
use App\Ratings\Happened\Rated;
use App\Receiving\Happened as Receiving;
use App\Refunds\Happened as Refunds;
use App\Returns\Happened as Returns;
use App\Returns\ReturnState;
use App\Rules\Happened as Rules;
use App\Tasks\Happened as Tasks;
use Cairnfield\Core\Parcels\ParcelStage;
use Cairnfield\Core\Queue\Priority;
use Carbon\CarbonImmutable;
use Tests\App\Mails;

/*
 * What is written down is data; it is read as a sentence, on the trail and in the history of whoever looks back.
 */

beforeEach(fn () => CarbonImmutable::setTestNow('2026-11-23T10:00:00Z'));

function entryOf(Conversation $conversation, Payload $what, string $why = '', ?string $by = 'ilse'): JournalEntry
{
    $actor = $by === null ? Actor::application() : Actor::teammate(test()->teammate($by));

    return app(Journal::class)->record($conversation, $what, $actor, $why);
}

/**
 * @return list<array{Payload, string, string|null, string}> what, why, by whom, and how it is said
 */
function saidEntries(): array
{
    $named = static fn (string $name): Named => new Named(7, $name);
    $tuesday = CarbonImmutable::parse('2026-11-24T08:00:00Z');
    $open = ConversationState::Open;

    return [
        [new Happened\Began($named('C-1001')), '', null, 'Began as a new conversation that links to C-1001'],
        [new Receiving\MessageReceived(Channel::Email, 'care@x.example', true, null), '', null, 'The customer wrote'],
        [
            new Promises\PromiseSetApplied($named('Wholesale')), '', null, 'Promised as in “Wholesale” from now on',
        ],
        [new Promises\PromiseSetApplied(null), '', null, 'Nothing is promised from now on'],
        [
            new Promises\PromiseWarned(PromisedKind::FirstReply, $tuesday, $named('Wholesale')), '', null,
            'First reply is due Tue 08:00',
        ],
        [
            new Promises\PromiseMissed(PromisedKind::Marketplace, $tuesday, null), '', null,
            'The marketplace’s deadline missed: it was due Tue 08:00',
        ],
        [new Promises\TimeAgreed($tuesday), 'she is away', 'ilse', 'Agreed with the customer: Tue 08:00 by Ilse Norrby'],
        [new Happened\TurnAwaited($named('Care')), '', null, 'Waits for somebody of the team Care'],
        [
            new Happened\ReachedUpwards($named('Mads Overgaard')), 'it needs a yes', 'ilse',
            'Reached upwards to Mads Overgaard by Ilse Norrby: it needs a yes',
        ],
        [new Promises\TimeAgreed(null), '', 'ilse', 'The agreed time was taken back by Ilse Norrby'],
        [new Answering\Replied('a@x.example'), '', 'ilse', 'Ilse Norrby replied'],
        [new Answering\Noted, '', 'ilse', 'Ilse Norrby wrote a note'],
        [
            new Happened\StateChanged($open, ConversationState::Held, $tuesday, null), 'the bench looks', 'ilse',
            'Held by Ilse Norrby: the bench looks, comes back Tue 08:00',
        ],
        [new Happened\OwnerChanged(null, $named('Mads Overgaard')), '', 'ilse', 'Given to Mads Overgaard by Ilse Norrby'],
        [
            new Happened\CategoryChanged(null, $named('Delivery › Late parcel')), '', 'ilse',
            'Category Delivery › Late parcel by Ilse Norrby',
        ],
        [new Happened\TeamChanged(null, $named('Returns bench')), '', 'ilse', 'Given to the team Returns bench by Ilse Norrby'],
        [new Happened\PriorityChanged(Priority::Normal, Priority::High), '', 'ilse', 'Priority high by Ilse Norrby'],
        [
            new Happened\TagsChanged([$named('batch K'), $named('new')], [$named('vip')]), '', 'ilse',
            'Tagged batch K, new, tag vip taken away by Ilse Norrby',
        ],
        [new Happened\LanguageChanged(null, 'de'), '', 'ilse', 'Language German by Ilse Norrby'],
        [new Happened\FieldChanged($named('Batch'), $named('B-20388'), null, 'K'), '', 'ilse', 'Batch of B-20388 set to K by Ilse Norrby'],
        [
            new Answering\Scheduled($tuesday, true), '', 'ilse',
            'To be sent Tue 08:00, unless the customer answers first by Ilse Norrby',
        ],
        [
            new Answering\ScheduleCalledOff($named('Ilse Norrby')), 'the customer answered first', null,
            'An answer to be sent later was called off (the customer answered first)',
        ],
        [new Answering\Forwarded(['desk@wren.example']), '', 'ilse', 'Forwarded to desk@wren.example by Ilse Norrby'],
        [new Answering\PartnerAsked($named('Wren Parcel')), '', 'ilse', 'Asked Wren Parcel by Ilse Norrby'],
        [new Answering\PartnerAnswered($named('Wren Parcel')), '', null, 'Wren Parcel answered'],
        [new Happened\CopiesChanged([]), '', 'ilse', 'Nobody gets copies any more by Ilse Norrby'],
        [new Checklists\ChecklistStarted($named('Lost parcel')), '', 'ilse', 'Checklist “Lost parcel” started by Ilse Norrby'],
        [
            new Checklists\ChecklistTicked($named('Lost parcel'), 'Ask the carrier', true), '', 'ilse',
            'Tick taken back: Ask the carrier by Ilse Norrby',
        ],
        [new Tasks\TaskMade($named('Call them'), $named('Mads'), $tuesday), '', 'ilse', 'Task for Mads: Call them by Ilse Norrby'],
        [new Tasks\TaskDone($named('Call them'), false), '', 'ilse', 'Task done: Call them by Ilse Norrby'],
        [new Happened\ComesBack($tuesday), '', 'ilse', 'To come back Tue 08:00 by Ilse Norrby'],
        [new Answering\CalledBack(['a@x.example']), '', 'ilse', 'Called back before it was on its way by Ilse Norrby'],
        [new BulkUndone($named('Priority urgent')), '', 'ilse', 'Undone: Priority urgent by Ilse Norrby'],
        [new Answering\Delivered, '', null, 'The answer was delivered'],
        [
            new Answering\DeliveryFailed(['a@x.example']), '550 no such mailbox', null,
            'The answer to a@x.example could not be delivered (550 no such mailbox)',
        ],
        [new Answering\SendingAgain, '', 'ilse', 'Sending the answer again by Ilse Norrby'],
        [new Receiving\EditedAtSource, '', null, 'The customer changed what they had written there'],
        [new Receiving\RemovedAtSource, '', null, 'The customer removed it there'],
        [new Orders\OrderAttached($named('B-20388'), 'number'), 'its number', null, 'Order B-20388 put beside it (its number)'],
        [
            new Orders\BuyerVerified($named('B-20388')), '', 'ilse',
            'Confirmed that who writes may know of order B-20388 by Ilse Norrby',
        ],
        [
            new Orders\BuyerAsked($named('B-20388'), $named('C-1003')), '', 'ilse',
            'Who placed order B-20388 was asked at their own address, in C-1003, by Ilse Norrby',
        ],
        [new Orders\OrderDetached($named('B-20388')), '', 'ilse', 'Order B-20388 taken away by Ilse Norrby'],
        [new Orders\OrderChanged($named('B-20388'), null, null, 2000, 'EUR'), '', null, 'Order B-20388: €20.00 given back'],
        [
            new Refunds\RefundAsked($named('B-20388'), $named('faulty'), 2000, 'EUR'), 'faulty', 'ilse',
            'Gave back €20.00 of order B-20388 by Ilse Norrby (faulty)',
        ],
        [
            new Refunds\RefundEnded($named('B-20388'), $named('faulty'), 2000, 'EUR', true), '', null,
            '€20.00 of order B-20388 have gone back',
        ],
        [
            new Refunds\RefundEnded($named('B-20388'), $named('faulty'), 2000, 'EUR', false), 'the card is gone', null,
            '€20.00 of order B-20388 could not go back (the card is gone)',
        ],
        [
            new Refunds\RefundWithdrawn($named('B-20388'), $named('faulty'), 2000, 'EUR'), '', 'ilse',
            'Gave up on giving back €20.00 of order B-20388 by Ilse Norrby',
        ],
        [
            new Exchanges\ExchangeMoved($named('Reel'), $named('B-20388'), ExchangeState::Asked, null), '', 'ilse',
            'Had Reel sent for order B-20388 by Ilse Norrby',
        ],
        [
            new Exchanges\ExchangeMoved($named('Reel'), $named('B-20388'), ExchangeState::Placed, $named('B-21001')), '', null,
            'Reel, for order B-20388, is order B-21001',
        ],
        [
            new Exchanges\OrderChangeAsked($named('B-20388'), 'cancelled'), 'ordered twice', 'ilse',
            'Had order B-20388 cancelled by Ilse Norrby (ordered twice)',
        ],
        [
            new Returns\ReturnMoved($named('R-0219'), $named('B-20388'), null, ReturnState::Asked, 'Does not fit', ''), '', 'ilse',
            'Asked for return R-0219 of order B-20388: does not fit by Ilse Norrby',
        ],
        [
            new Returns\ReturnMoved($named('R-0219'), $named('B-20388'), ReturnState::Arrived, ReturnState::Inspected, 'Faulty',
                '1 faulty'),
            '', 'ilse', 'Inspected return R-0219 of order B-20388: 1 faulty by Ilse Norrby',
        ],
        [
            new Returns\ReturnMoved($named('R-0219'), $named('B-20388'), ReturnState::Settled, ReturnState::Inspected, 'Faulty', ''), '',
            null,
            'Return R-0219 of order B-20388 is to be settled anew',
        ],
        [new Returns\ReturnReminded($named('R-0219'), $named('B-20388'), $tuesday), '', null,
            'Return R-0219 has not been sent yet; it lapses Tue 08:00'],
        [
            new Orders\ParcelSeen($named('B-20388'), $named('WP77'), ParcelStage::AtDepot, 'Aarhus'), '', null,
            'Parcel WP77: at depot, Aarhus',
        ],
        [new Happened\Junked, '', 'ilse', 'Put with the junk by Ilse Norrby'],
        [new Happened\NotJunk, '', 'ilse', 'Taken back from the junk by Ilse Norrby'],
        [new Joining\Joined($named('C-1002')), '', 'ilse', 'C-1002 joined into this one by Ilse Norrby'],
        [new Joining\MessageSplitOff($named('C-1003')), '', 'ilse', 'A message was split off into C-1003 by Ilse Norrby'],
        [new Joining\Separated($named('C-1002')), '', 'ilse', 'C-1002 made a conversation of its own again by Ilse Norrby'],
        [new Answering\Liked(true), '', 'ilse', 'Like taken back by Ilse Norrby'],
        [new Answering\Reposted(false), '', 'ilse', 'Re-posted in public by Ilse Norrby'],
        [new Companies\CompanyChanged($named('Kite Barn')), '', 'ilse', 'The customer is of Kite Barn by Ilse Norrby'],
        [new Companies\CompanyChanged(null), '', 'ilse', 'The customer is of no company by Ilse Norrby'],
        [new Customers\CustomerMerged($named('Ana W.'), $named('Ana')), '', 'ilse', 'Customer merged: Ana is Ana W. by Ilse Norrby'],
        [new Customers\CustomerSeparated, '', 'ilse', 'Merged customers separated again by Ilse Norrby'],
        [new Imported($named('old.mbox')), '', 'corin', 'Taken over from earlier history (old.mbox) by Corin Hale'],
        [new Receiving\ReceiptSent('a@x.example'), '', null, 'Receipt with the number sent to a@x.example'],
        [
            new Nudges\NudgeStarted($named('No answer'), $tuesday), '', 'ilse',
            'Nudge plan “No answer” started, first reminder Tue 08:00 by Ilse Norrby',
        ],
        [
            new Nudges\NudgeCalledOff($named('No answer')), 'the customer answered', null,
            'Nudge plan “No answer” called off (the customer answered)',
        ],
        [new Rated(2, 'Slow.'), '', null, 'The customer gave 2 of 5 stars: “Slow.”'],
        [
            new Approvals\ApprovalAsked($named('Mads Overgaard'), $named('A new bag?')), '', 'ilse',
            'Asked Mads Overgaard for an approval by Ilse Norrby',
        ],
        [
            new Approvals\ApprovalAnswered($named('A new bag?'), ApprovalState::Declined), 'Once is enough', 'mads',
            'Declined by Mads Overgaard: A new bag? (Once is enough)',
        ],
        [new Rules\RuleRan($named('Batch K')), 'Text has “ferrule”', null, 'Rule “Batch K” (Text has “ferrule”)'],
        [
            new Rules\RuleFailed($named('Batch K')), 'the template has gone', null,
            'Rule “Batch K” could not be carried out (the template has gone)',
        ],
    ];
}

it('says of each kind what happened, by whom and why, as it is read back from the record', function (
    Payload $what, string $why, ?string $by, string $sentence
): void {
    $entry = JournalEntry::query()->findOrFail(entryOf(Mails::conversation(), $what, $why, $by)->id);
    expect($entry->payload())->toEqual($what)
        ->and(app(JournalSentence::class)->of($entry))->toBe($sentence);
})->with(fn (): Generator => yield from array_combine(
    array_map(static fn (array $said): string => $said[0]::kind()->value, saidEntries()), saidEntries()
));

it('knows what stands in each kind, and has it said above', function (): void {
    $said = array_map(static fn (array $said): JournalKind => $said[0]::kind(), saidEntries());
    expect(array_diff(array_column(JournalKind::cases(), 'value'), array_column($said, 'value')))->toBe([]);
    foreach (JournalKind::cases() as $kind) {
        expect(app(Payloads::class)->of($kind)::kind())->toBe($kind);
    }
});

it('keeps names as they were, and reads what knows no id or leaves out what is nothing', function (): void {
    expect(PayloadFormat::write(new Happened\OwnerChanged(null, new Named(3, 'Mads'))))->toBe(['to' => ['id' => 3, 'name' => 'Mads']])
        ->and(PayloadFormat::read(Happened\OwnerChanged::class, ['from' => ['name' => 'Ilse']]))
        ->toEqual(new Happened\OwnerChanged(new Named(null, 'Ilse'), null))
        ->and(PayloadFormat::read(Happened\TagsChanged::class, []))->toEqual(new Happened\TagsChanged([], []))
        ->and(PayloadFormat::read(Answering\Liked::class, []))->toEqual(new Answering\Liked(false));
});

it('does not guess at an entry that lacks what it cannot be without', function (): void {
    expect(fn () => PayloadFormat::read(Happened\StateChanged::class, ['from' => 'open', 'to' => 'sideways']))
        ->toThrow(UnexpectedValueException::class, '“to”')
        ->and(fn () => PayloadFormat::read(Happened\ComesBack::class, []))->toThrow(UnexpectedValueException::class, '“until”');
});

it('says what brought it about, and what that goes back to', function (): void {
    $conversation = Mails::conversation();
    $causes = app(CurrentCause::class);
    $entry = $causes->during(Cause::rule(5, 'Before the festival', 3, 2), fn () => $causes->during(
        Cause::step(8, 'Where it is', 'set_priority'),
        fn () => entryOf($conversation, new Happened\PriorityChanged(Priority::Normal, Priority::Urgent), by: null)
    ));
    $cause = JournalEntry::query()->findOrFail($entry->id)->cause();
    expect([$cause?->kind, $cause?->id, $cause?->step])->toBe([CauseKind::Step, 8, 'set_priority'])
        ->and([$cause?->asRule()?->id, $cause?->asRule()?->version, $cause?->asRule()?->depth])->toBe([5, 3, 2])
        ->and($causes->get())->toBeNull()
        ->and(app(JournalSentence::class)->of($entry))->toBe('Priority urgent by the rule “Before the festival”')
        ->and(entryOf($conversation, new Happened\Junked)->cause())->toBeNull();
});

it('forgets what brought something about when that fails', function (): void {
    $causes = app(CurrentCause::class);
    expect(fn () => $causes->during(Cause::of(CauseKind::Bulk, 1), fn () => throw new DomainException('no')))
        ->toThrow(DomainException::class)->and($causes->get())->toBeNull();
});

it('tells what one rule did in one sentence, and of two rules in two', function (): void {
    $conversation = Mails::conversation();
    $run = function (int $id, string $name, int $depth, Payload ...$payloads) use ($conversation): array {
        return app(CurrentCause::class)->during(Cause::rule($id, $name, 1, $depth), fn (): array => array_map(
            fn (Payload $payload) => entryOf($conversation, $payload, by: null), $payloads
        ));
    };
    $entries = [
        ...$run(5, 'Late', 1, new Rules\RuleRan(new Named(5, 'Late')), new Happened\PriorityChanged(Priority::Normal, Priority::Urgent),
            new Happened\Junked),
        ...$run(6, 'Loud', 2, new Rules\RuleRan(new Named(6, 'Loud')), new Happened\NotJunk),
        entryOf($conversation, new Happened\Junked),
        ...$run(6, 'Loud', 2, new Happened\NotJunk, new Happened\Junked),
    ];
    expect(array_column(app(JournalSentence::class)->together($entries), 1))->toBe([
        'Rule “Late”: priority urgent, put with the junk', 'Rule “Loud”: taken back from the junk', 'Put with the junk by Ilse Norrby',
        'Taken back from the junk by the rule “Loud”, put with the junk',
    ]);
});

it('stands on the trail, with what a rule did told as the rule’s', function (): void {
    $conversation = Mails::conversation();
    app(CurrentCause::class)->during(
        Cause::rule(5, 'Before the festival', 1, 1),
        fn () => entryOf($conversation, new Happened\PriorityChanged(Priority::Normal, Priority::Urgent), by: null)
    );
    entryOf($conversation, new Rated(4, '<b>Kind</b>'), by: null);
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")
        ->assertSee('Priority urgent by the rule “Before the festival”')
        ->assertSee('“<b>Kind</b>”')->assertDontSee('<b>Kind</b>', false);
});
