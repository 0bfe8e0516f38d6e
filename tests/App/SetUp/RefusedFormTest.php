<?php

declare(strict_types=1);

use App\Checklists\Checklist;
use App\Customers\CustomerGroup;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnField;
use App\Nudges\NudgePlan;
use App\Sorting\ArrangeFields;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Sorting\Tag;
use App\Team\Team;
use App\Templates\Template;
use Cairnfield\Core\Text\Folding;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\App\FilledForm;

/*
 * A form that is refused changes nothing, says why, and comes back as it was written; the other forms of its page stand as
 * they are stored, and so does the page when it is opened the next time.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    foreach (['Batch', 'Size'] as $name) {
        app(ArrangeFields::class)->make(About::Conversation, $name, FieldKind::Choice, ['S', 'M'], true);
    }
    $template = (new Template)->forceFill([
        'name' => 'Thanks', 'folder' => '', 'shared_with' => 'everybody', 'steps' => [], 'version' => 1,
    ]);
    $template->save();
    foreach (['No answer at all', 'Photo'] as $name) {
        (new NudgePlan)
            ->forceFill([
                'name' => $name, 'steps' => [['days' => 3, 'template' => $template->id]], 'end_days' => 4,
                'end_outcome_id' => Outcome::query()->firstOrFail()->id,
            ])
            ->save();
    }
    foreach (['Festival', 'Wholesale'] as $name) {
        DB::table('tags')->insert(['name' => $name, 'folded' => Folding::fold($name)]);
    }
    $this->actingAs($this->teammate('corin'));
});

/**
 * Everything that forms of the store's arranging write into.
 *
 * @return array<string, string>
 */
function arrangedNow(): array
{
    $tables = [
        'categories', 'category_teammate', 'outcomes', 'tags', 'own_fields', 'checklists', 'teams', 'team_teammate', 'nudge_plans',
        'customer_groups', 'hooks', 'teammates',
    ];
    $there = array_filter($tables, static fn (string $table): bool => DB::getSchemaBuilder()->hasTable($table));

    return array_combine($there, array_map(static fn (string $table): string => (string) json_encode(DB::table($table)->get()), $there));
}

/**
 * What stands in a form of a page, without what is new each time.
 *
 * @return array<string, mixed>
 */
function standsIn(TestResponse $page, string $action): array
{
    return array_diff_key(FilledForm::on($page, $action)->values(), ['_token' => 1, 'once' => 1]);
}

/**
 * @param  array<string, string|null>  $written  by the name of the control; null for a box that is not ticked
 * @param  array<string, mixed>  $form  as it came back
 */
function expectWritten(array $written, array $form): void
{
    foreach ($written as $name => $value) {
        $at = str_replace(['[]', '[', ']'], ['', '.', ''], $name);
        if (str_ends_with($name, '[]')) {
            expect((array) data_get($form, $at))->toBe($value === null ? [] : [$value], $name);
        } else {
            expect(data_get($form, $at))->toBe($value, $name);
        }
    }
}

it('comes back as it was written, and the others as they are', function (
    string $page, string $action, Closure $which, array $written, string $says
): void {
    $id = $which();
    [$page, $action] = str_replace('{id}', (string) $id, [$page, $action]);
    $before = arrangedNow();
    $shown = $this->get($page)->assertOk();
    $forms = preg_match_all('/<form method="post" action="([^"]+)"/', (string) $shown->getContent(), $found) ? array_unique($found[1]) : [];
    $stored = array_combine($forms, array_map(static fn (string $one): array => standsIn($shown, $one), $forms));
    $this->from($page);
    FilledForm::on($shown, $action)->send($this, $written)->assertRedirect($page);
    $again = $this->get($page)->assertOk()->assertSee($says);
    expect(arrangedNow())->toBe($before);
    expectWritten($written, FilledForm::on($again, $action)->values());
    foreach (array_diff($forms, [$action]) as $other) {
        expect(standsIn($again, $other))->toBe($stored[$other], $other);
    }
    // What was refused is forgotten with the page that showed it.
    $later = $this->get($page);
    foreach ($forms as $one) {
        expect(standsIn($later, $one))->toBe($stored[$one], "later, {$one}");
    }
})->with([
    'a new category' => [
        '/sorting/categories', '/sorting/categories', fn () => 0,
        ['name' => str_repeat('n', 81), 'customer_name' => 'For customers', 'hidden' => '1'], 'must not be greater than 80',
    ],
    'a category' => ['/sorting/categories/{id}', '/sorting/categories/{id}', function (): int {
        $category = Category::query()->where('name', 'Late parcel')->sole();
        $category->forceFill(['hidden' => true])->save();
        $category->members()->sync([test()->teammate('ilse')->id]);

        return $category->id;
    }, ['name' => 'Later parcel', 'hidden' => null, 'members[]' => null, 'position' => '99999'], 'must not be greater than 10000'],
    'a new outcome' => ['/sorting/outcomes', '/sorting/outcomes', fn () => 0, ['name' => 'Refunded'], 'Refunded'],
    'an outcome' => [
        '/sorting/outcomes', '/sorting/outcomes/{id}', fn () => Outcome::query()->where('name', 'Exchanged')->value('id'),
        ['name' => 'Refunded'], 'Refunded',
    ],
    'a new tag' => ['/sorting/tags', '/sorting/tags', fn () => 0, ['name' => str_repeat('n', 81)], 'must not be greater than'],
    'a tag' => [
        '/sorting/tags', '/sorting/tags/{id}', fn () => Tag::query()->where('name', 'Festival')->value('id'),
        ['name' => 'wholesale'], 'Wholesale',
    ],
    'a new field' => [
        '/sorting/fields', '/sorting/fields', fn () => 0,
        ['name' => 'Batch', 'about' => 'conversation', 'kind' => 'choice', 'choices' => 'A', 'required' => '1'], 'Batch',
    ],
    'a field' => [
        '/sorting/fields', '/sorting/fields/{id}', fn () => OwnField::query()->where('name', 'Size')->value('id'),
        ['name' => str_repeat('n', 61), 'choices' => 'L', 'required' => null], 'must not be greater than 60',
    ],
    'a new checklist' => ['/sorting/checklists', '/sorting/checklists', fn () => 0, ['name' => 'Customs', 'steps' => ''], 'steps'],
    'a checklist' => [
        '/sorting/checklists', '/sorting/checklists/{id}', fn () => Checklist::query()->where('name', 'Lost parcel')->value('id'),
        ['name' => str_repeat('n', 81), 'category' => '', 'steps' => 'One more'], 'must not be greater than 80',
    ],
    'a new team' => ['/sorting/teams', '/sorting/teams', fn () => 0, ['name' => 'Care'], 'already'],
    'a team' => [
        '/sorting/teams', '/sorting/teams/{id}', fn () => Team::query()->where('name', 'Care')->value('id'),
        ['name' => 'Returns bench', 'turns' => 'even', 'people[1][in]' => null, 'people[2][weight]' => '7'], 'already',
    ],
    'languages that somebody speaks' => [
        '/sorting/teams', '/sorting/people/{id}/speaks', fn () => test()->teammate('ilse')->id, ['speaks' => 'da, klingon'],
        'klingon',
    ],
    'a new nudge plan' => [
        '/nudges', '/nudges', fn () => 0, ['name' => 'New', 'steps[0][days]' => '5', 'steps[0][template]' => '', 'end_days' => '9'],
        'Choose the template of reminder 1',
    ],
    'a nudge plan' => [
        '/nudges', '/nudges/{id}', fn () => NudgePlan::query()->where('name', 'Photo')->value('id'),
        ['name' => 'No answer at all', 'steps[0][days]' => '', 'steps[0][template]' => '', 'end_days' => '9'], 'already',
    ],
    'a new customer group' => [
        '/customer-groups', '/customer-groups', fn () => 0,
        ['name' => 'Danes', 'field[]' => 'language', 'is[]' => '', 'place' => '1'], 'Write the value in condition 1',
    ],
    'a customer group' => [
        '/customer-groups', '/customer-groups/{id}', fn () => CustomerGroup::query()->where('name', 'Regulars')->value('id'),
        ['name' => 'Wholesale', 'place' => '3'], 'already',
    ],
    'a webhook' => ['/rules/hooks', '/rules/hooks', fn () => 0, ['name' => 'Stock', 'address' => 'ftp://stock.example'], 'https'],
]);

it('keeps the category of a checklist that was retired since, saved untouched', function (): void {
    $checklist = Checklist::query()->where('name', 'Lost parcel')->sole();
    Category::query()->whereKey($checklist->category_id)->update(['retired_at' => now()]);
    $page = $this->get('/sorting/checklists')->assertSee('Lost parcel (retired)');
    FilledForm::on($page, "/sorting/checklists/{$checklist->id}")->send($this)->assertSessionHas('done');
    expect($checklist->refresh()->category_id)->not->toBeNull();
});

it('drops no half of a condition of a customer group', function (): void {
    $group = CustomerGroup::query()->where('name', 'Regulars')->sole();
    foreach ([['field' => ['club'], 'is' => ['']], ['field' => [''], 'is' => ['festival']]] as $half) {
        $this->post("/customer-groups/{$group->id}", ['name' => 'Regulars', 'place' => '5', ...$half])->assertSessionHasErrors();
    }
    expect($group->refresh()->conditions)->toBe([['field' => 'orders at least', 'is' => '2']]);
});
