<?php

declare(strict_types=1);

use App\Fields\About;
use App\Fields\FieldKind;
use App\Nudges\NudgePlan;
use App\Sorting\ArrangeFields;
use App\Sorting\Outcome;
use App\Templates\Template;
use App\Views\SavedView;
use Cairnfield\Core\Text\Folding;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Tests\App\FilledForm;

/*
 * A form that is opened and saved without being touched changes nothing: not a word, not a mark, not an order.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    foreach (FieldKind::cases() as $kind) {
        app(ArrangeFields::class)->make(
            About::Conversation, "Field “{$kind->value}”", $kind, ['Split ferrule', 'Torn, badly', 'Größe "M" & more'],
            $kind === FieldKind::Choice
        );
    }
    $template = (new Template)->forceFill([
        'name' => 'Thanks & more', 'folder' => 'Care', 'shared_with' => 'everybody',
        'steps' => [['do' => 'add_tag', 'value' => 'seen, twice'], ['do' => 'set_priority', 'value' => 'low']], 'version' => 1,
    ]);
    $template->save();
    DB::table('template_languages')->insert([
        [
            'template_id' => $template->id, 'language' => 'en', 'subject' => 'Re: “kites”',
            'text' => "Hello {{ customer.first_name | \"there\" }},\n\n  thank you <b>so</b> much & more.\n\nYours",
        ],
        ['template_id' => $template->id, 'language' => 'de', 'subject' => null, 'text' => "Hallo,\n\ndanke schön."],
    ]);
    (new NudgePlan)->forceFill([
        'name' => 'No answer "at all"', 'steps' => [
            ['days' => 3, 'template' => $template->id], ['days' => 5, 'template' => $template->id],
        ], 'end_days' => 4, 'end_outcome_id' => Outcome::query()
            ->firstOrFail()
            ->id, 'end_template_id' => $template->id,
    ])->save();
    (new SavedView)->forceFill([
        ...collect(SavedView::query()->firstOrFail()->getAttributes())
            ->except('id', 'condition', 'columns')
            ->all(), 'name' => 'Everything "odd"', 'columns' => ['number', 'owner', 'due'],
        'condition' => [
            'any' => [
                ['field' => 'subject', 'op' => 'has_any_word', 'value' => ['a & b', 'größer']],
                ['not' => ['any' => [['field' => 'state', 'op' => 'in', 'value' => ['held', 'closed']]]]],
            ],
        ],
    ])->save();
    DB::table('tags')->insert(['name' => 'größer & mehr', 'folded' => Folding::fold('größer & mehr')]);
    $this->actingAs($this->teammate('corin'));
});

/**
 * What stands in a table, without when it was last saved.
 *
 * @return list<array<string, mixed>>
 */
function contentsOf(string ...$tables): array
{
    $rows = [];
    foreach ($tables as $table) {
        foreach (DB::table($table)->get() as $row) {
            $values = array_diff_key((array) $row, ['updated_at' => 1, 'version' => 1]);
            // Written by the database with spaces of its own.
            $rows[] = ['table' => $table] + array_map(
                static fn (mixed $value): mixed => is_string($value)
                    && in_array($value[0] ?? '', ['{', '['], true)
                    ? json_decode($value, true)
                    ?? $value
                    : $value,
                $values
            );
        }
    }

    return $rows;
}

it('leaves everything as it was', function (string $page, string $action, array $tables): void {
    foreach (DB::table($tables[0])->pluck('id') as $id) {
        $address = str_replace('{id}', (string) $id, $page);
        $form = FilledForm::on($this->get($address)->assertOk(), str_replace('{id}', (string) $id, $action));
        $before = contentsOf(...$tables);
        $form->send($this)->assertSessionDoesntHaveErrors()->assertSessionMissing('problem')->assertRedirect();
        expect(contentsOf(...$tables))->toEqual($before, "{$tables[0]} {$id}");
    }
})->with([
    'categories' => ['/sorting/categories/{id}', '/sorting/categories/{id}', ['categories']],
    'outcomes' => ['/sorting/outcomes', '/sorting/outcomes/{id}', ['outcomes']],
    'tags' => ['/sorting/tags', '/sorting/tags/{id}', ['tags']],
    'own fields' => ['/sorting/fields', '/sorting/fields/{id}', ['own_fields']],
    'checklists' => ['/sorting/checklists', '/sorting/checklists/{id}', ['checklists']],
    'teams' => ['/sorting/teams', '/sorting/teams/{id}', ['teams', 'team_teammate']],
    'hours' => ['/hours/{id}', '/hours/{id}', ['calendars', 'calendar_days']],
    'templates' => ['/templates/{id}', '/templates/{id}', ['templates', 'template_languages']],
    'nudge plans' => ['/nudges', '/nudges/{id}', ['nudge_plans']],
    'views' => ['/views/{id}', '/views/{id}', ['saved_views']],
    'customer groups' => ['/customer-groups', '/customer-groups/{id}', ['customer_groups']],
]);

it('leaves one’s own settings as they were', function (string $name): void {
    $who = $this->teammate($name);
    $who->forceFill(['signature' => "Yours,\n{$who->name} & team"])->save();
    // Once, so that what goes without saying is said.
    FilledForm::on($this->actingAs($who)->get('/own-settings'), '/own-settings')->send($this)->assertRedirect();
    $before = contentsOf('teammates');
    FilledForm::on($this->actingAs($who)->get('/own-settings')->assertOk(), '/own-settings')
        ->send($this)
        ->assertSessionDoesntHaveErrors()
        ->assertRedirect();
    expect(contentsOf('teammates'))->toEqual($before);
})->with(['ilse', 'femi', 'mads', 'corin']);
