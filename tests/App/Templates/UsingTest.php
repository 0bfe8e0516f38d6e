<?php

declare(strict_types=1);

use App\Answering\CallBack;
use App\Answering\Draft;
use App\Answering\ScheduledReply;
use App\Answering\ScheduleReply;
use App\Checklists\Checklist;
use App\Checklists\StartedChecklist;
use App\Conversations\ConversationState;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnField;
use App\Sorting\Category;
use App\Team\Team;
use App\Templates\RecordTemplateUse;
use App\Templates\SaveTemplate;
use App\Templates\Step;
use App\Templates\Template;
use App\Templates\TemplateFile;
use App\Templates\TemplateProblem;
use App\Templates\TemplateToSave;
use App\Templates\UsedTemplate;
use App\Views\SharedWith;
use Cairnfield\Core\Queue\Priority;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\App\Mails;

/**
 * @param  array<string, string>  $texts  by language
 * @param  list<array{string, string}>  $steps
 * @param  list<string>  $categories
 */
function template(
    string $name, array $texts, array $steps = [], array $categories = [], SharedWith $with = SharedWith::Everybody,
    string $by = 'mads', ?int $team = null, string $folder = ''
): Template {
    return app(SaveTemplate::class)->save(null, new TemplateToSave(
        $name,
        $folder,
        $with,
        $team,
        array_map(static fn (string $text): array => ['subject' => null, 'text' => $text, 'html' => null], $texts),
        array_map(static fn (string $category): int => Category::query()->where('name', $category)
            ->whereNotNull('parent_id')
            ->firstOrFail()
            ->id, $categories),
        array_map(static fn (array $step): Step => Step::of(...$step), $steps),
    ), test()->teammate($by));
}

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->conversation = Mails::conversation(['Message-ID' => '<first@hruby.example>']);
    $this->actingAs($this->teammate('ilse'));
    $this->at = "/conversations/{$this->conversation->id}";
    $this->use = fn (Template $template) => $this->post("{$this->at}/templates/{$template->id}");
    $this->send = fn (array $form = []) => $this->post("{$this->at}/reply", [
        'text' => 'It is on its way.', 'then' => 'waiting', 'seen' => JournalEntry::query()->where(
            'conversation_id', $this->conversation->id
        )
            ->max('id'), 'once' => Str::uuid()
            ->toString(), ...$form,
    ]);
});

it('puts a template into an answer, filled, with the gap shown and the sending stopped', function (): void {
    $template = template(
        'Where is it',
        ['en' => "Hello {{ customer.first_name | \"there\" }},\nyour order {{ order.number }} is with {{ parcel.carrier | \"the "
            ."carrier\" }}.\n{{ agent.first_name }}"]
    );
    ($this->use)($template)->assertOk()
        ->assertSee("Hello Tomas,\nyour order {{ order.number }} is with the carrier.\nIlse", false)
        ->assertSee('Not filled:');
    ($this->send)(['text' => "Hello Tomas,\nyour order {{ order.number }} is with the carrier."])
        ->assertSessionHas('problem', 'Not sent: {{ order.number }} in line 2 is not filled. Write what belongs there.');
    expect(Message::query()->where('direction', Message::OUT)->exists())->toBeFalse()
        ->and(Draft::for($this->conversation, $this->teammate('ilse'), Draft::REPLY)->value('text'))->toContain('is with the carrier');
    ($this->send)(
        ['text' => "Hello Tomas,\nyour order {{ order.number }} is with the carrier.", 'when' => 'unless', 'days' => 2]
    )->assertSessionHas('problem');
    expect(ScheduledReply::query()->exists())->toBeFalse();
});

it('answers in the language of the conversation, and says so where it cannot', function (): void {
    $template = template('Hello', ['en' => 'Hello', 'da' => 'Hej']);
    $this->conversation->forceFill(['language' => 'da'])->save();
    ($this->use)($template)->assertSee('data-text="Hej"', false)->assertDontSee('has no text in');
    $this->conversation->forceFill(['language' => 'de'])->save();
    ($this->use)($template)->assertSee('data-text="Hello"', false)->assertSee('has no text in German. This is the one in English.');
});

it('answers in another language once somebody has said that it is the right one', function (): void {
    $template = template('Hello', ['en' => 'Hello', 'de' => 'Guten Tag']);
    $this->post("/conversations/{$this->conversation->id}/language", ['language' => 'de'])->assertSessionHas('done');
    ($this->use)($template)->assertSee('data-text="Guten Tag"', false);
    $this->get("/conversations/{$this->conversation->id}")->assertSee('Language German by Ilse Norrby');
    $this->post(
        "/conversations/{$this->conversation->id}/language", ['language' => 'xx']
    )->assertSessionHas('problem', 'Choose a language.');
    expect($this->conversation->refresh()->language)->toBe('de');
});

it('does what goes along together with the answer', function (): void {
    (new OwnField)->forceFill(
        ['about' => About::Conversation, 'name' => 'Batch', 'word' => 'batch', 'kind' => FieldKind::Text, 'choices' => [], 'position' => 1]
    )->save();
    $checklist = Checklist::query()->where('name', 'Damaged on arrival')->firstOrFail();
    $faulty = Category::query()->where('name', 'Faulty item')->firstOrFail();
    $bench = Team::query()->where('name', 'Returns bench')->firstOrFail();
    $template = template('Split ferrule', ['en' => 'We are sorry.'], [
        [
            'set_category', (string) $faulty->id,
        ], ['set_priority', 'high'], ['add_tag', 'batch K'], ['set_field', 'batch|K'], ['assign_team', (string) $bench->id],
        ['checklist', (string) $checklist->id], [
            'hold', '16|the workshop looks at it',
        ], ['cc', 'workshop@brindle.example'], ['then', 'waiting'],
    ]);
    $shown = ($this->use)($template)->assertSee('tag “batch K”')
        ->assertSee('hold for 16 working hours: the workshop looks at it')
        ->assertSee('data-cc="workshop@brindle.example"', false)
        ->getContent();
    preg_match_all('/name="steps\[\]" value="([^"]+)"/', (string) $shown, $steps);
    // The tag is taken away by hand, the rest goes along.
    $steps = array_values(
        array_filter(array_map(html_entity_decode(...), $steps[1]), static fn (string $step): bool => ! str_starts_with($step, 'add_tag='))
    );
    ($this->send)(['text' => 'We are sorry.', 'steps' => $steps])->assertSessionHas('done');
    $conversation = $this->conversation->refresh();
    expect($conversation->category_id)->toBe($faulty->id)
        ->and($conversation->priority)->toBe(Priority::High)
        ->and($conversation->team_id)->toBe($bench->id)
        ->and($conversation->state)->toBe(ConversationState::Held)
        ->and($conversation->held_reason)->toBe('the workshop looks at it')
        // Sixteen working hours from Monday 11:00 in Copenhagen: Wednesday 11:00.
        ->and($conversation->bring_back_at?->toIso8601ZuluString())->toBe('2026-11-25T10:00:00Z')
        ->and($conversation->tags)->toHaveCount(0)
        ->and(StartedChecklist::query()->where('conversation_id', $conversation->id)->value('name'))->toBe('Damaged on arrival');
    $this->get($this->at)->assertSee('with the answer');
});

it('leaves out what was unticked, also when another template comes in', function (): void {
    $one = template('One', ['en' => 'One.'], [['set_priority', 'high'], ['add_tag', 'one']]);
    $two = template('Two', ['en' => 'Two.'], [['add_tag', 'two']]);
    ($this->use)($one);
    $this->post("{$this->at}/draft-steps", ['step' => 'set_priority=high', 'steps' => ['add_tag=one']])->assertNoContent();
    $shown = (string) ($this->use)($two)->getContent();
    expect($shown)->toMatch('/value="add_tag=one"\s+checked/')->toMatch('/value="add_tag=two"\s+checked/')
        ->not
        ->toMatch('/value="set_priority=high"\s+checked/');
    $this->post("{$this->at}/draft-steps", ['step' => 'set_priority=high', 'steps' => ['add_tag=one', 'set_priority=high']]);
    expect((string) $this->get($this->at)->getContent())->toMatch('/value="set_priority=high"\s+checked/');
});

it('does nothing of it where the answer cannot be sent, and does not send where a step is not possible', function (): void {
    ($this->send)(['text' => '', 'steps' => ['add_tag=batch K']])->assertSessionHas('problem');
    expect($this->conversation->refresh()->tags)->toHaveCount(0);
    ($this->send)(['steps' => ['add_tag=batch K', 'checklist=999']])->assertSessionHas(
        'problem', 'Start the checklist: choose a checklist; this one is not there any more.'
    );
    ($this->send)(['steps' => ['delete=everything']])->assertSessionHas('problem');
    $this->conversation->forceFill(['state' => ConversationState::Closed])->save();
    ($this->send)(['steps' => ['add_tag=batch K']])->assertSessionHas('problem');
    expect(Message::query()->where('direction', Message::OUT)->exists())->toBeFalse()
        ->and($this->conversation->refresh()->tags)
        ->toHaveCount(0);
});

it('takes back what went along when the answer is called back', function (): void {
    config(['cairnfield.outbox.call_back_seconds' => 10]);
    $template = template('Sorry', ['en' => 'We are sorry.'], [['set_priority', 'high'], ['add_tag', 'batch K']]);
    ($this->use)($template);
    ($this->send)(['text' => 'We are sorry.', 'steps' => ['set_priority=high', 'add_tag=batch K']])->assertSessionHas('done');
    expect($this->conversation->refresh()->priority)->toBe(Priority::High)->and($template->refresh()->uses)->toBe(1);
    app(CallBack::class)->byAuthor(Message::query()->where('direction', Message::OUT)->firstOrFail(), $this->teammate('ilse'));
    expect($this->conversation->refresh()->priority)->toBe(Priority::Normal)
        ->and($this->conversation->tags()->count())
        ->toBe(0)
        ->and($template->refresh()->uses)
        ->toBe(0);
});

it('keeps the steps of an answer that is sent later', function (): void {
    ($this->send)(['when' => 'unless', 'days' => 2, 'steps' => ['add_tag=batch K']])->assertSessionHas('done');
    expect($this->conversation->tags()->count())->toBe(0);
    CarbonImmutable::setTestNow('2026-11-25T10:00:01Z');
    app(ScheduleReply::class)->sendDue();
    expect($this->conversation->tags()->pluck('name')->all())->toBe(['batch K'])
        ->and(Message::query()->where('direction', Message::OUT)->count())
        ->toBe(1);
});

it('counts uses, and how much of the words was changed', function (): void {
    $template = template('Way', ['en' => 'your kite is on its way since Monday and comes soon']);
    ($this->use)($template);
    ($this->send)(['text' => 'Hello! Your kite is on its way since Monday and comes soon. Best']);
    expect($template->refresh()->uses)->toBe(1)->and($template->changedShare())->toBe(0.0)->and($template->changed_uses)->toBe(0);
    ($this->use)($template);
    ($this->send)(['text' => 'Hello! Your parcel was lost since Monday and comes never.']);
    expect($template->refresh()->uses)->toBe(2)
        ->and($template->changed_uses)
        ->toBe(1)
        ->and($template->changedShare())
        ->toBeGreaterThan(0.2);
    // What was put in and taken out again was not sent.
    ($this->use)($template);
    ($this->send)(['text' => 'No.']);
    expect($template->refresh()->uses)->toBe(2)->and($template->last_used_at)->not->toBeNull();
});

it('counts a template once in an answer, and as if it had not been sent when it is called back', function (): void {
    config(['cairnfield.outbox.call_back_seconds' => 10]);
    $template = template('Way', ['en' => 'one two three four five six seven eight nine ten']);
    $counted = static fn (): array => array_map(
        intval(...), $template->refresh()->only(['uses', 'hand_uses', 'changed_uses', 'changed_thousandths'])
    );
    ($this->use)($template);
    ($this->use)($template);
    ($this->send)(['text' => 'one two three four five six seven eight nine']);
    // One word of ten is a change.
    expect($counted())->toBe(['uses' => 1, 'hand_uses' => 1, 'changed_uses' => 1, 'changed_thousandths' => 100]);
    app(CallBack::class)->byAuthor(Message::query()->where('direction', Message::OUT)->firstOrFail(), $this->teammate('ilse'));
    expect($counted())->toBe(['uses' => 0, 'hand_uses' => 0, 'changed_uses' => 0, 'changed_thousandths' => 0]);
});

it('suggests what was used on such conversations, with why', function (): void {
    $late = template('Late one', ['en' => 'It is late, we are sorry.'], [], ['Late parcel']);
    template('Never used', ['en' => 'Nothing.']);
    $invoice = template('Invoice', ['en' => 'Here is your invoice.']);
    foreach (
        [
            [$late, 'My parcel is delayed again.'], [$late, 'Parcel delayed, festival near.'], [$late, 'Is it delayed?'],
            [$invoice, 'Please send the invoice.'], [$invoice, 'An invoice for the parcel, please.'],
        ] as $number => [$used, $text]
    ) {
        $other = Mails::conversation(['From' => "p{$number}@post.example", 'Subject' => "About {$number}"], "{$text}\r\n");
        $this->post("/conversations/{$other->id}/templates/{$used->id}");
        $this->post("/conversations/{$other->id}/reply", ['text' => $used->languages()
            ->value('text'), 'then' => 'waiting', 'seen' => JournalEntry::query()
            ->max('id'), 'once' => Str::uuid()
            ->toString()]);
    }
    $fourth = Mails::conversation(['From' => 'p9@post.example', 'Subject' => 'Where'], "Is my parcel delayed?\r\n");
    $this->get("/conversations/{$fourth->id}/templates/suggested")->assertSee('Late one')
        ->assertSee('used 3 times; they wrote “delayed”')
        ->assertDontSee('Invoice')
        ->assertDontSee('Never used');
    $this->get("{$this->at}/templates?q=")->assertSee('Late one')->assertSee('Never used');
    // Said once, it is not suggested again.
    $this->post("/conversations/{$fourth->id}/templates/{$late->id}");
    $this->post(
        "/conversations/{$fourth->id}/reply",
        [
            'text' => 'It is late, we are sorry.', 'then' => 'waiting', 'seen' => JournalEntry::query()->max('id'),
            'once' => Str::uuid()->toString(),
        ]
    )->assertSessionHasNoErrors();
    $this->get("/conversations/{$fourth->id}/templates/suggested")->assertDontSee('Late one');
});

it('learns nothing from what rules send, nor does that hide how much people change', function (): void {
    $template = template('Way', ['en' => 'your kite is on its way since Monday and comes soon']);
    $record = fn (bool $automatic, string $text) => app(RecordTemplateUse::class)->record(
        $this->conversation,
        tap(
            $this->answer($this->conversation->refresh(), $text),
            fn (Message $sent) => $sent->forceFill(['automatic' => $automatic])->save()
        ),
        [new UsedTemplate($template->id, 'en', 'your kite is on its way since Monday and comes soon')]
    );
    $record(false, 'your parcel is lost since Monday and comes never');
    $share = $template->refresh()->changedShare();
    $habits = DB::table('template_habits')->sum('uses');
    foreach (range(1, 3) as $time) {
        $record(true, 'your kite is on its way since Monday and comes soon');
    }
    expect($template->refresh()->uses)->toBe(4)
        ->and($template->hand_uses)
        ->toBe(1)
        ->and($share)
        ->toBeGreaterThan(0.2)
        ->and($template->changedShare())
        ->toBe($share)
        ->and(DB::table('template_habits')->sum('uses'))->toBe($habits);
});

it('finds by a few letters, what fits the category first', function (): void {
    template('Parcel late', ['en' => 'text one'], [], ['Late parcel'], folder: 'Delivery');
    template('Parcel lost', ['en' => 'text two'], [], ['Lost parcel'], folder: 'Delivery');
    template('Refund', ['en' => 'your parcel']);
    $this->get("{$this->at}/templates?q=par")->assertSeeInOrder(['Parcel late', 'Parcel lost', 'Refund']);
    $this->conversation->forceFill(['category_id' => Category::query()->where('name', 'Lost parcel')->value('id')])->save();
    $this->get("{$this->at}/templates?q=PÁR")->assertSeeInOrder(['Parcel lost', 'Parcel late', 'Refund']);
    $this->get("{$this->at}/templates?q=deliv")->assertSee('Parcel lost')->assertDontSee('Refund');
    $this->get("{$this->at}/templates?q=zebra")->assertSee('No template has “zebra”');
});

it('keeps own and other teams’ templates to those they are for', function (): void {
    $own = template('Own of Mads', ['en' => 'x'], with: SharedWith::Nobody);
    $bench = template('For the bench', ['en' => 'x'], with: SharedWith::Team, team: Team::query()->where('name', 'Returns bench')
        ->firstOrFail()
        ->id);
    $this->get("{$this->at}/templates?q=")->assertDontSee('Own of Mads')->assertDontSee('For the bench');
    ($this->use)($own)->assertNotFound();
    $this->get("/templates/{$bench->id}")->assertNotFound();
    $this->actingAs($this->teammate('femi'))->get('/templates')->assertSee('For the bench')->assertDontSee('Own of Mads');
});

it('sends the files of a template, as they are when it is sent', function (): void {
    $template = template('Terms', ['en' => 'The list is attached.']);
    $this->actingAs($this->teammate('mads'));
    $this->post(
        "/templates/{$template->id}/files", ['file' => UploadedFile::fake()->createWithContent('list.txt', 'prices of 2025')]
    )->assertSessionHas('done');
    $this->post(
        "/templates/{$template->id}/files", ['file' => UploadedFile::fake()->createWithContent('list.txt', 'prices of 2026')]
    )->assertSessionHas('done', '“list.txt” is replaced: answers take the new one from now on.');
    expect(TemplateFile::query()->count())->toBe(1)->and($template->refresh()->version)->toBe(3);
    $this->actingAs($this->teammate('ilse'));
    ($this->use)($template)->assertSee('list.txt');
    ($this->send)(['text' => 'The list is attached.'])->assertSessionHas('done');
    $file = Message::query()->where('direction', Message::OUT)->firstOrFail()->attachments->sole();
    expect($file->name)->toBe('list.txt')->and($file->sha256)->toBe(hash('sha256', 'prices of 2026'));
    $this->get(
        "/templates/{$template->id}/files/".TemplateFile::query()->value('id')
    )->assertHeader('Content-Disposition')->assertSee('prices of 2026');
    $this->post("/templates/{$template->id}/files", ['file' => UploadedFile::fake()->createWithContent('x.txt', 'x')])->assertForbidden();
});

it('refuses a step that names what is not there', function (string $do, string $value, string $why): void {
    expect(fn () => Step::of($do, $value))->toThrow(TemplateProblem::class, $why);
})->with([
    ['set_priority', 'highest', 'choose low, normal, high or urgent'], [
        'then', 'closed', 'leaves a conversation waiting, open or resolved',
    ], ['then', 'resolved:0', 'choose the outcome'],
    ['hold', 'soon|x', 'how many working hours'], ['hold', '3|', 'who must act first'], [
        'add_tag', '', 'write the tag, of at most 60 letters',
    ], [
        'set_field', 'none|x', 'choose a field; this one is not there any more',
    ],
    ['cc', 'nobody', 'is no address'], ['assign_person', '0', 'not in the team any more'], [
        'explode', '1', 'is nothing that can go with an answer',
    ],
]);

it('takes no account’s own name for a word of theirs', function (): void {
    $late = template('Late one', ['en' => 'It is late, we are sorry.'], [], ['Late parcel']);
    foreach (['care is delayed', 'care, delayed again', 'dear care, it is delayed'] as $number => $text) {
        $other = Mails::conversation(['From' => "p{$number}@post.example", 'Subject' => "About {$number}"], "{$text}\r\n");
        $this->post("/conversations/{$other->id}/templates/{$late->id}");
        $this->post("/conversations/{$other->id}/reply", [
            'text' => 'It is late, we are sorry.', 'then' => 'waiting', 'seen' => JournalEntry::query()->max('id'),
            'once' => Str::uuid()->toString(),
        ]);
    }
    $next = Mails::conversation(['From' => 'p9@post.example', 'Subject' => 'Where'], "Dear care@brindle.example, delayed?\r\n");
    $this->get("/conversations/{$next->id}/templates/suggested")->assertSee('they wrote “delayed”')->assertDontSee('“care”')
        ->assertDontSee('“brindle”');
});
