<?php

declare(strict_types=1);

use App\Checklists\Checklist;
use App\Conditions\Field;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Nudges\NudgePlan;
use App\Rules\ActionCatalogue;
use App\Rules\ChangedBy;
use App\Rules\Hook;
use App\Rules\ReadyMade;
use App\Rules\Rule;
use App\Rules\RuleAction;
use App\Rules\RuleEvent;
use App\Rules\RuleFields;
use App\Rules\RuleToSave;
use App\Rules\SaveRule;
use App\Rules\TimeTrigger;
use App\Sorting\ArrangeFields;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Team\Team;
use App\Templates\Template;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Operator;
use Cairnfield\Core\Rules\Way;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Tests\App\AppTestCase;
use Tests\App\FilledForm;

/*
 * A rule that is opened and saved again without being touched stays what it was, whatever it asks and does.
 */

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    foreach (About::cases() as $about) {
        foreach (FieldKind::cases() as $kind) {
            app(ArrangeFields::class)->make($about, ucfirst($kind->value), $kind, ['Split ferrule', 'Torn, badly', 'Größe "M"'], false);
        }
    }
    $thanks = (new Template)->forceFill(['name' => 'Thanks', 'folder' => '', 'shared_with' => 'everybody', 'steps' => [], 'version' => 1]);
    $thanks->save();
    DB::table('template_languages')->insert(['template_id' => $thanks->id, 'language' => 'en', 'text' => 'Thank you. {{ rating.link }}']);
    $this->template = (string) $thanks->id;
    $plan = (new NudgePlan)->forceFill([
        'name' => 'No answer', 'steps' => [['days' => 3, 'template' => $thanks->id]], 'end_days' => 3,
        'end_outcome_id' => Outcome::query()->firstOrFail()->id,
    ]);
    $plan->save();
    $this->plan = (string) $plan->id;
    $hook = (new Hook)->forceFill(['name' => 'Stock', 'address' => 'https://stock.example/hook', 'secret' => 'secret']);
    $hook->save();
    $this->hook = (string) $hook->id;
    $this->actingAs($this->teammate('corin'));
});

/**
 * @param  array<string, mixed>  $condition
 * @param  list<array<string, string>>  $actions
 */
function keepRule(array $condition, array $actions, ?array $clock = null): Rule
{
    return app(SaveRule::class)->save(null, new RuleToSave(
        'Under test', Way::Ladder, $clock === null ? [
            RuleEvent::FirstMessage, RuleEvent::Noted,
        ] : [], $condition, array_map(RuleAction::of(...), $actions), 'Why it is there', ChangedBy::Administrators,
        $clock === null ? null : TimeTrigger::of($clock),
    ), test()->teammate('corin'))->refresh();
}

function asKept(Rule $rule): array
{
    return $rule->refresh()->only(['name', 'way', 'events', 'clock', 'condition', 'actions', 'notes', 'changed_by']);
}

/**
 * Opens the rule, and saves what stands there.
 */
function saveUntouched(AppTestCase $test, Rule $rule): void
{
    $form = FilledForm::on($test->get("/rules/{$rule->id}")->assertOk(), "/rules/{$rule->id}");
    $saved = $form->send($test);
    expect($saved->isRedirect())->toBeTrue(
        strip_tags((string) preg_replace('/^.*?(<[^>]*role="alert"[^>]*>.*?<\/(?:p|ul)>).*$/s', '$1', (string) $saved->getContent()))
    );
    $saved->assertSessionDoesntHaveErrors()->assertSessionMissing('problem');
}

/**
 * A value that somebody would choose or write for it.
 */
function sampleFor(Field $field, Operator $operator): mixed
{
    $choices = array_map(strval(...), array_keys($field->choices()));
    if ($choices === ['yes', 'no']) {
        return $operator === Operator::Is ? true : ['yes'];
    }
    foreach ([3, array_slice($choices, 0, 2), $choices[0] ?? null, ['festival', 'saturday'], 'festival'] as $sample) {
        if ($sample === null || $sample === []) {
            continue;
        }
        try {
            app(RuleFields::class)->known(
                Condition::read(json_decode((string) json_encode(['field' => $field->key(), 'op' => $operator->value, 'value' => $sample])))
            );
            $isNumber = in_array(Operator::MoreThan, $field->operators(), true);
            if (is_int($sample) === $isNumber && $operator->takes($sample)) {
                return $sample;
            }
        } catch (Throwable) {
            // Another one.
        }
    }

    return null;
}

it('keeps every field that can be asked, with each way of asking, saved untouched', function (): void {
    $asked = 0;
    foreach (app(RuleFields::class)->all() as $field) {
        $parts = [];
        foreach ($field->operators() as $operator) {
            $value = $operator->needsValue() ? sampleFor($field, $operator) : null;
            if (! $operator->needsValue()) {
                $parts[] = ['field' => $field->key(), 'op' => $operator->value];
            } elseif ($value !== null) {
                $parts[] = ['field' => $field->key(), 'op' => $operator->value, 'value' => $value];
            }
        }
        expect($parts)->not->toBe([], "nothing to ask of {$field->key()}");
        $asked += count($parts);
        $rule = keepRule(['any' => [['not' => ['any' => $parts]], ['all' => $parts]]], [['do' => 'add_tag', 'text' => 'seen']]);
        $before = asKept($rule);
        saveUntouched($this, $rule);
        expect(asKept($rule))->toEqual($before, $field->key());
    }
    expect($asked)->toBeGreaterThan(120);
});

/**
 * One of each that a rule can do.
 *
 * @return array<string, Closure>
 */
function everyAction(): array
{
    return [
        'set_priority' => fn () => ['value' => 'urgent'],
        'set_category' => fn () => ['value' => (string) Category::query()->where('name', 'Late parcel')->sole()->id],
        'set_status' => fn () => ['value' => 'held', 'text' => 'The bench “looks”', 'hours' => '6'],
        'set_language' => fn () => ['value' => 'lv'],
        'assign_person' => fn () => ['value' => 'turn'],
        'assign_team' => fn () => ['value' => (string) Team::query()->where('name', 'Returns bench')->sole()->id],
        'add_tag' => fn () => ['text' => 'größer & "mehr"'],
        'remove_tag' => fn () => ['text' => 'batch K'],
        'reach_upwards' => fn () => ['text' => 'it needs a yes'],
        'set_field' => fn () => ['value' => 'choice', 'text' => 'Torn, badly'],
        'answer' => fn () => [
            'value' => $this->template, 'as' => (string) $this->teammate('ilse')->id,
            'instead' => (string) $this->teammate('ruta')->id, 'then' => 'waiting',
        ],
        'ask_rating' => fn () => ['value' => $this->template, 'as' => (string) $this->teammate('mads')->id],
        'give_back' => fn () => ['value' => 'delivery', 'text' => '9.00 EUR', 'as' => (string) $this->teammate('mads')->id],
        'ask_give_back' => fn () => ['value' => 'goodwill', 'text' => '5.00 EUR, 37.00 DKK', 'as' => (string) $this->teammate('mads')->id],
        'ask_approval' => fn () => ['value' => 'leads', 'text' => 'May it go out for free?'],
        'note' => fn () => ['text' => "First line\nand {{ customer.first_name }}"],
        'tell' => fn () => ['value' => 'leads', 'text' => 'Look at it', 'mail' => '1'],
        'checklist' => fn () => ['value' => (string) Checklist::query()->where('name', 'Lost parcel')->sole()->id],
        'task' => fn () => ['value' => 'owner', 'text' => 'Ask {{ parcel.carrier }}', 'hours' => '4'],
        'nudge' => fn () => ['value' => $this->plan, 'as' => (string) $this->teammate('ilse')->id],
        'call_hook' => fn () => ['value' => $this->hook],
        'stop' => fn () => [],
    ];
}

it('keeps every action, saved untouched', function (string $do, Closure $action): void {
    $action = ['do' => $do, ...$action->call($this)];
    $rule = keepRule(['all' => []], [['do' => 'add_tag', 'text' => 'before, it'], $action]);
    $before = asKept($rule);
    saveUntouched($this, $rule);
    expect(asKept($rule))->toEqual($before);
})->with(function (): Generator {
    foreach (everyAction() as $do => $action) {
        yield $do => [$do, $action];
    }
});

it('keeps a rule that comes ready-made, saved untouched', function (string $key): void {
    $rule = app(ReadyMade::class)->make($key, $this->teammate('mads'));
    $before = asKept($rule);
    saveUntouched($this, $rule);
    // What stands alone is a group of one.
    $before['condition'] = isset($before['condition']['field']) ? ['all' => [$before['condition']]] : $before['condition'];
    expect(asKept($rule))->toEqual($before);
})->with(array_keys((new ReflectionClass(ReadyMade::class))->newInstanceWithoutConstructor()->all()));

it('leaves out none that there is', function (): void {
    expect(array_keys(everyAction()))->toEqualCanonicalizing(array_keys(app(ActionCatalogue::class)->all()));
});

it('keeps what sets it off, saved untouched', function (array $clock): void {
    $rule = keepRule(['all' => [['field' => 'state', 'op' => 'in', 'value' => ['open']]]], [['do' => 'add_tag', 'text' => 'seen']], $clock);
    $before = asKept($rule);
    saveUntouched($this, $rule);
    expect(asKept($rule))->toEqual($before);
})->with([
    'hours of the store' => [['since' => 'unanswered', 'hours' => '3', 'in_hours' => '1']],
    'again and again' => [['since' => 'state_changed', 'hours' => '48', 'again' => '72']],
    'before it falls due' => [['since' => 'until_due', 'hours' => '1', 'in_hours' => '1']],
    'the last scan' => [['since' => 'parcel_seen', 'hours' => '120']],
    'set times' => [['since' => 'times', 'days' => ['1', '3', '6'], 'time' => '09:30']],
]);

it('keeps a rule that was refused as it was written, and keeps nothing of it', function (): void {
    $rule = keepRule(
        ['all' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => ['reel']]]], [['do' => 'add_tag', 'text' => 'reel']]
    );
    $before = asKept($rule);
    $form = FilledForm::on($this->get("/rules/{$rule->id}"), "/rules/{$rule->id}");
    $refused = $form->send($this, ['name' => 'Another name', 'actions[0][text]' => '', 'condition[parts][0][value][]' => 'bridle']);
    $shown = $refused->isRedirect() ? $this->get((string) $refused->headers->get('Location')) : $refused;
    $shown->assertSee('role="alert"', false)->assertSee('value="Another name"', false)->assertSee('bridle');
    expect(asKept($rule))->toEqual($before);
});

it('shows a refused rule as it was written, and in no other rule’s form', function (): void {
    $other = keepRule(['field' => 'state', 'op' => 'in', 'value' => ['open']], [['do' => 'add_tag', 'text' => 'other']]);
    $form = FilledForm::on($this->get("/rules/{$other->id}"), "/rules/{$other->id}");
    $refused = $form->send($this, ['name' => 'Written anew', 'notes' => 'At length', 'actions[0][text]' => ''])->assertOk();
    $again = FilledForm::on($refused, "/rules/{$other->id}")->values();
    expect($again['name'])->toBe('Written anew')->and($again['notes'])->toBe('At length')->and($again['actions'][0]['do'])->toBe('add_tag')
        ->and($other->refresh()->name)->toBe('Under test');
    expect(FilledForm::on($this->get("/rules/{$other->id}"), "/rules/{$other->id}")->values()['name'])->toBe('Under test');
});

it('refuses a rule of which a line is not finished, and gives back all that was written', function (array $part, string $says): void {
    $written = [
        'name' => 'Written at length', 'way' => 'every', 'changed_by' => 'leads', 'notes' => 'Why it is there', 'events' => ['noted'],
        'condition' => ['head' => 'all', 'parts' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => 'reel'], $part]],
        'actions' => [['do' => 'add_tag', 'text' => 'seen']],
    ];
    $form = FilledForm::on($this->post('/rules', $written)->assertOk()->assertSee($says), '/rules')->values();
    expect(Rule::query()->exists())->toBeFalse()
        ->and($form['name'])->toBe('Written at length')->and($form['notes'])->toBe('Why it is there')
        ->and($form['condition']['parts'][0]['value'])->toBe('reel')
        ->and($form['condition']['parts'][1]['field'])->toBe($part['field'] ?? null)
        ->and($form['actions'][0]['text'])->toBe('seen');
})->with([
    'no value' => [['field' => 'state', 'op' => 'in', 'value' => []], 'is to be, or take its line away'],
    'no words' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => ''], 'is to be, or take its line away'],
]);

it('gives a rule back whole where its name is refused', function (): void {
    $written = [
        'name' => str_repeat('n', 121), 'way' => 'every', 'changed_by' => 'leads', 'notes' => 'Kept', 'events' => ['noted'],
        'condition' => ['head' => 'any', 'parts' => [['field' => 'subject', 'op' => 'has_any_word', 'value' => 'reel']]],
        'actions' => [['do' => 'add_tag', 'text' => 'seen']],
    ];
    $form = FilledForm::on($this->post('/rules', $written)->assertOk()->assertSee('120'), '/rules')->values();
    expect($form['notes'])->toBe('Kept')
        ->and($form['condition']['parts'][0]['value'])
        ->toBe('reel')
        ->and($form['actions'][0]['do'])
        ->toBe('add_tag');
});
