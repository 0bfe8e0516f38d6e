<?php

declare(strict_types=1);

use App\Checklists\Checklist;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\ChangeUse;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Nudges\NudgePlan;
use App\Sorting\ArrangeFields;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Team\Team;
use App\Templates\AnswerPart;
use App\Templates\SaveTemplate;
use App\Templates\Step;
use App\Templates\Template;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Carbon\CarbonImmutable;
use Tests\App\FilledForm;

/*
 * A template that is opened and saved untouched stays what it was, and one that is refused comes back as it was written.
 */

/**
 * @param  list<Step>  $steps
 */
function keptTemplate(array $steps = [], string $name = 'Under test'): Template
{
    $texts = [
        'en' => ['subject' => 'About {{ order.number }}', 'text' => "Hello\n\n{{ agent.first_name }}", 'html' => null],
        'da' => ['subject' => null, 'text' => 'Hej du', 'html' => '<div>Hej <strong>du</strong></div>'],
    ];

    return app(SaveTemplate::class)->save(
        null,
        new TemplateToSave(
            $name, 'Delivery', SharedWith::Everybody, null, $texts, [Category::query()->where('name', 'Late parcel')->sole()->id],
            $steps
        ),
        test()->teammate('mads')
    );
}

/**
 * @return array<string, mixed>
 */
function templateIs(Template $template): array
{
    $template = $template->refresh()->load(['languages', 'categories']);

    return [
        ...$template->only(['name', 'folder', 'shared_with', 'team_id', 'steps']),
        'texts' => $template->languages->sortBy('language')->map->only(['language', 'subject', 'text', 'html'])->values()->all(),
        'categories' => $template->categories->modelKeys(),
    ];
}

/**
 * @param  array<string, mixed>  $also
 * @return array<string, mixed>
 */
function templateForm(array $also = []): array
{
    return [
        'name' => 'Written', 'folder' => 'Delivery', 'shared_with' => 'everybody', 'team' => '', 'step' => '', 'step_text' => '',
        'texts' => [['language' => 'en', 'subject' => '', 'text' => 'Hello {{ customer.first_name | "there" }}', 'html' => '']], ...$also,
    ];
}

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    app(ArrangeFields::class)->make(About::Conversation, 'Batch', FieldKind::Text, [], false);
    app(ArrangeFields::class)->make(About::Conversation, 'Size', FieldKind::Choice, ['S', 'M | L', 'X=L'], false);
    $this->plan = (new NudgePlan)->forceFill([
        'name' => 'Photo', 'steps' => [['days' => 1, 'template' => 1]], 'end_days' => 3,
        'end_outcome_id' => Outcome::query()->firstOrFail()->id,
    ]);
    $this->plan->save();
    $this->actingAs($this->teammate('mads'));
});

it('keeps every step, saved untouched, and chosen in the form', function (): void {
    $id = static fn (mixed $of): string => (string) $of;
    $samples = [
        ['then', 'waiting'], ['then', 'open'], [
            'then', 'resolved:'.Outcome::query()->value('id'),
        ], ['hold', '16|the workshop looks at it | twice'],
        [
            'set_category', $id(Category::query()->where('name', 'Refund')->value('id')),
        ], [
            'set_priority', 'urgent',
        ], ['set_language', 'da'], ['assign_person', 'me'], ['assign_person', ''], ['assign_person', 'turn'], ['assign_person', 'lead'],
        [
            'assign_person', $id($this->teammate('ruta')->id),
        ], [
            'assign_team', $id(Team::query()->value('id')),
        ], [
            'add_tag', 'batch = K | "new"',
        ], ['remove_tag', 'Größe'], ['set_field', 'batch|K=1|2'], ['set_field', 'size|M | L'], ['set_field', 'size|X=L'],
        [
            'checklist', $id(Checklist::query()->value('id')),
        ], ['nudge', $id($this->plan->id)], ['cc', 'a@x.example, b@x.example'], ['bcc', 'c@x.example'],
    ];
    expect(array_unique(array_column($samples, 0)))->toEqualCanonicalizing([
        ...array_keys(app(Changes::class)->offeredTo(ChangeUse::Step)), ...array_column(AnswerPart::cases(), 'value'),
    ]);
    foreach ($samples as [$do, $value]) {
        $template = keptTemplate([Step::of($do, $value)], "With {$do} {$value}");
        $before = templateIs($template);
        FilledForm::on($this->get("/templates/{$template->id}")->assertOk(), "/templates/{$template->id}")
            ->send($this)
            ->assertSessionHas('done');
        expect(templateIs($template))->toBe($before, "{$do} {$value}");
    }
});

it('keeps several steps together, of those that set one thing the last', function (): void {
    $this->post(
        '/templates',
        templateForm([
            'steps' => ['add_tag=one', 'add_tag=two', 'set_priority=low', 'set_priority=high', 'assign_person=me'], 'step' => 'remove_tag=',
            'step_text' => ' three ',
        ])
    )->assertSessionHas('done');
    expect(Template::query()->where('name', 'Written')->sole()->steps)->toBe([
        ['do' => 'add_tag', 'value' => 'one'], ['do' => 'add_tag', 'value' => 'two'], [
            'do' => 'set_priority', 'value' => 'high',
        ], ['do' => 'assign_person', 'value' => 'me'], ['do' => 'remove_tag', 'value' => 'three'],
    ]);
});

it('refuses a step that cannot be, and gives the form back as it was written', function (array $step, string $says): void {
    $other = keptTemplate(name: 'Another');
    $written = templateForm([
        ...$step, 'steps' => ['add_tag=kept'], 'categories' => [(string) Category::query()->where('name', 'Refund')->value('id')],
    ]);
    $page = $this->post('/templates', $written)->assertOk()->assertSee($says);
    $form = FilledForm::on($page, '/templates')->values();
    expect(Template::query()->where('name', 'Written')->exists())->toBeFalse()
        ->and($form['texts'][0])
        ->toBe($written['texts'][0])
        ->and($form['steps'])
        ->toBe(['add_tag=kept'])
        ->and($form['categories'])
        ->toBe($written['categories'])
        ->and([$form['step'], $form['step_text']])->toBe([$step['step'], $step['step_text']]);
    // What was refused here stands in no other template's form.
    expect(FilledForm::on($this->get("/templates/{$other->id}"), "/templates/{$other->id}")->values()['name'])->toBe('Another');
})->with([
    'a tag without a name' => [['step' => 'add_tag=', 'step_text' => ''], 'write the tag, of at most 60 letters'],
    'hours without a reason' => [['step' => 'hold=', 'step_text' => '16'], 'write how many working hours'],
    'no hours' => [['step' => 'hold=', 'step_text' => '0|the workshop'], 'write how many working hours'],
    'a choice that is none' => [['step' => 'set_field=size|', 'step_text' => 'XXL'], 'Size'],
    'no address' => [['step' => 'cc=', 'step_text' => 'nobody'], 'nobody'],
]);

it('drops nothing that was written: a text without a language, two of one, a subject alone', function (array $texts, string $says): void {
    $page = $this->post('/templates', templateForm(['texts' => $texts]))->assertOk()->assertSee($says);
    $form = FilledForm::on($page, '/templates')->values()['texts'];
    foreach ($texts as $index => $text) {
        expect($form[$index])->toBe($text);
    }
    expect(Template::query()->exists())->toBeFalse();
})->with([
    'without a language' => [[
        [
            'language' => 'en', 'subject' => '', 'text' => 'Hello', 'html' => '',
        ], ['language' => '', 'subject' => '', 'text' => 'Hej', 'html' => ''],
    ], 'A text has no language. Choose it, or take the text away.'],
    'two in one language' => [[
        [
            'language' => 'en', 'subject' => '', 'text' => 'Hello', 'html' => '',
        ], ['language' => 'en', 'subject' => '', 'text' => 'Hi', 'html' => ''],
    ], 'There are two texts in English.'],
    'a subject alone' => [[
        ['language' => 'en', 'subject' => '', 'text' => 'Hello', 'html' => ''], [
            'language' => 'da', 'subject' => 'Din ordre', 'text' => '', 'html' => '',
        ],
    ], 'There is a subject in Danish, but no text.'],
]);

it('gives the text back where something else in the form is refused', function (array $wrong, string $says): void {
    $template = keptTemplate();
    $before = templateIs($template);
    $written = templateForm([
        ...$wrong, 'texts' => [['language' => 'en', 'subject' => 'New', 'text' => 'Rewritten at length', 'html' => '']],
        'steps' => [],
    ]);
    $page = $this->post("/templates/{$template->id}", $written)->assertOk()->assertSee($says);
    $form = FilledForm::on($page, "/templates/{$template->id}")->values();
    expect($form['texts'][0]['text'])->toBe('Rewritten at length')
        ->and($form)->not->toHaveKey('steps')->not->toHaveKey('categories')
        ->and(templateIs($template))->toBe($before);
})->with([
    'no name' => [['name' => ''], 'name'],
    'a name too long' => [['name' => str_repeat('n', 121)], '120'],
    'no team' => [['shared_with' => 'team', 'team' => ''], 'Choose which team it is for.'],
    'a team of others' => [['shared_with' => 'team', 'team' => '99999'], 'team'],
    'a category that is not there' => [['categories' => ['99999']], 'categories'],
]);

it('says what a step needs that is not there any more, and keeps the others', function (): void {
    $template = keptTemplate([Step::of('nudge', (string) $this->plan->id), Step::of('add_tag', 'kept')]);
    $this->plan->forceFill(['retired_at' => now()])->save();
    $page = $this->get("/templates/{$template->id}")->assertOk()->assertSee('choose a nudge plan; this one is not there any more');
    expect(FilledForm::on($page, "/templates/{$template->id}")->values()['steps'])->toBe(['add_tag=kept']);
});
