<?php

declare(strict_types=1);

use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnFields;
use App\Inbox\Actor;
use App\Inbox\ChangeTags;
use App\Inbox\ConversationState;
use App\Inbox\Draft;
use App\Inbox\KeepDraft;
use App\Inbox\Message;
use App\Inbox\ReplyToSend;
use App\Inbox\SendReply;
use App\Inbox\Tag;
use App\Inbox\TakeConversation;
use App\Inbox\Trail;
use App\Sorting\ArrangeFields;
use Illuminate\Support\Facades\DB;
use Tests\App\Mails;

it('keeps a draft for the first time twice in one moment, as sending while writing does', function (): void {
    $conversation = Mails::conversation();
    $ilse = $this->teammate('ilse');
    foreach (range(1, 3) as $round) {
        Draft::query()->delete();
        $failures = $this->atOnce(6, fn (int $number) => app(KeepDraft::class)->text($conversation, $ilse, Draft::REPLY, "written {$number}"));
        expect(array_filter($failures))->toBe([], "round {$round}")
            ->and(Draft::query()->sole()->text)->toStartWith('written ');
    }
});

it('sends an answer once, whoever presses how often, while its draft is being kept', function (): void {
    $conversation = Mails::conversation();
    $ilse = $this->teammate('ilse');
    $seen = app(Trail::class)->lastSeen($conversation);
    $failures = $this->atOnce(6, fn (int $number) => $number % 2 === 0
        ? app(SendReply::class)->send($conversation, $ilse, new ReplyToSend('Hello Tomas.', [], ConversationState::Waiting, null, 'one-form', $seen))
        : app(KeepDraft::class)->unlessSent($conversation, $ilse, Draft::REPLY, 'one-form', fn () => app(KeepDraft::class)->text($conversation, $ilse, Draft::REPLY, 'Hello Tomas.')));
    expect(array_filter($failures))->toBe([])
        ->and(Message::query()->where('direction', Message::OUT)->count())->toBe(1)
        ->and(DB::table('outbox')->count())->toBe(1)
        ->and(Draft::query()->count())->toBe(0);
});

it('makes a new tag once where several people give it at once', function (): void {
    $conversations = array_map(static fn (int $number) => Mails::conversation(['From' => "p{$number}@hruby.example"]), range(0, 4));
    $mads = $this->teammate('mads');
    $failures = $this->atOnce(5, fn (int $number) => app(ChangeTags::class)->change($conversations[$number], [ChangeTags::named('Batch K')], [], Actor::teammate($mads)));
    expect(array_filter($failures))->toBe([])
        ->and(Tag::query()->where('folded', 'batch k')->count())->toBe(1)
        ->and(DB::table('conversation_tag')->count())->toBe(5);
});

it('gives the next one to each of those who ask at once, and to nobody what another has', function (): void {
    foreach (range(1, 4) as $number) {
        Mails::conversation(['From' => "q{$number}@hruby.example"]);
    }
    $people = array_map($this->teammate(...), ['ilse', 'mads', 'ruta', 'corin', 'ilse']);
    $failures = $this->atOnce(5, fn (int $number) => app(TakeConversation::class)->takeNext($people[$number]));
    expect(array_filter($failures))->toBe([])
        ->and(DB::table('conversations')->whereNull('owner_id')->count())->toBe(0)
        ->and(DB::table('journal')->where('kind', 'owner_changed')->count())->toBe(4);
});

it('keeps what one of several people writes into a field at once, whole', function (): void {
    $field = app(ArrangeFields::class)->make(About::Customer, 'Size', FieldKind::Choices, ['S', 'M', 'L'], false);
    $customer = Mails::conversation()->customer_id;
    foreach ([[], [['S']]] as $before) {
        DB::table('own_values')->delete();
        $before === [] ?: app(OwnFields::class)->keep($field, $customer, $before[0]);
        $failures = $this->atOnce(5, fn (int $number) => app(OwnFields::class)->keep($field, $customer, $number % 2 === 0 ? ['S', 'M'] : ['L']));
        $kept = DB::table('own_values')->where('about_id', $customer)->orderBy('position')->pluck('text')->all();
        expect(array_filter($failures))->toBe([])->and($kept)->toBeIn([['S', 'M'], ['L']]);
    }
});

it('gives a conversation to one of those who take it at once, and says to the others whose it is', function (): void {
    $conversation = Mails::conversation();
    $people = array_map($this->teammate(...), ['ilse', 'mads', 'ruta', 'corin']);
    $failures = $this->atOnce(4, fn (int $number) => app(TakeConversation::class)->take($conversation, $people[$number]));
    $owner = $conversation->refresh()->owner->name;
    expect(array_filter($failures))->toHaveCount(3)
        ->and(array_values(array_unique(array_filter($failures))))->toHaveCount(1)
        ->and(array_values(array_filter($failures))[0])->toContain($owner)
        ->and(DB::table('journal')->where('kind', 'owner_changed')->count())->toBe(1);
});

it('begins one conversation of mail that two workers take at once', function (): void {
    $raw = Mails::raw(['Message-ID' => '<same@hruby.example>']);
    Mails::conversation(['Subject' => 'Known already', 'Message-ID' => '<before@hruby.example>']);
    $failures = $this->atOnce(4, fn () => Mails::take($raw));
    expect(array_filter($failures))->toBe([])
        ->and(Message::query()->where('message_id', 'same@hruby.example')->count())->toBe(1);
});
