<?php

declare(strict_types=1);

use App\Conversations\ChangeState;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\FieldRefused;
use App\Fields\OwnField;
use App\Fields\OwnFields;
use App\Sorting\ArrangeFields;
use Tests\App\Mails;

function fieldOf(FieldKind $kind, array $choices = [], bool $isRequired = false, About $about = About::Conversation): OwnField
{
    return app(ArrangeFields::class)->make($about, "A {$kind->value}", $kind, $choices, $isRequired);
}

function written(OwnField $field, int $id): array
{
    return array_column(
        array_map(static fn (array $one): array => [$one['field']->id, $one['values']], app(OwnFields::class)->of($field->about, $id)),
        1, 0
    )[$field->id] ?? [];
}

it('keeps what is written as it can be written again', function (FieldKind $kind, array|string $written, array $shown): void {
    $field = fieldOf($kind, ['Split ferrule', 'Torn sail', 'Größe "M"']);
    $keep = app(OwnFields::class);
    $keep->keep($field, 7, $written);
    expect(written($field, 7))->toBe($shown);
    // What is shown is written again, and nothing changes.
    expect($keep->keep($field, 7, $kind === FieldKind::Choices ? $shown : $shown[0] ?? ''))->toBeNull()
        ->and(written($field, 7))->toBe($shown)->and(written($field, 8))->toBe([]);
})->with([
    'text' => [FieldKind::Text, '  Batch K, inside  ', ['Batch K, inside']],
    'text in another script' => [FieldKind::Text, '返品 <b>&</b>', ['返品 <b>&</b>']],
    'a whole number' => [FieldKind::Number, '42', ['42']],
    'a fraction with a comma' => [FieldKind::Number, '12,50', ['12.5']],
    'spaces in a number' => [FieldKind::Number, "1 000\u{00A0}000", ['1000000']],
    'a negative one' => [FieldKind::Number, '-3', ['-3']],
    'nought' => [FieldKind::Number, '0', ['0']],
    'fifteen digits' => [FieldKind::Number, '999999999999999', ['999999999999999']],
    'six decimals' => [FieldKind::Number, '0.000001', ['0.000001']],
    'a date' => [FieldKind::Date, '2028-02-29', ['2028-02-29']],
    'a choice in other letters' => [FieldKind::Choice, 'TORN SAIL', ['Torn sail']],
    'a choice without its accents' => [FieldKind::Choice, 'grosse "m"', ['Größe "M"']],
    'one of several, given two' => [FieldKind::Choice, ['Torn sail', 'Split ferrule'], ['Torn sail']],
    'several' => [FieldKind::Choices, ['Torn sail', 'Split ferrule'], ['Torn sail', 'Split ferrule']],
    'yes' => [FieldKind::YesNo, 'Yes', ['yes']],
    'no' => [FieldKind::YesNo, '0', ['no']],
    'nothing' => [FieldKind::Text, '   ', []],
    'nothing of several' => [FieldKind::Choices, ['', ' '], []],
]);

it('refuses what does not fit, says why, and leaves what was there', function (
    FieldKind $kind, string $right, string $wrong, string $why
): void {
    $field = fieldOf($kind, ['Split ferrule', 'Torn sail']);
    app(OwnFields::class)->keep($field, 7, $right);
    $before = written($field, 7);
    expect(fn () => app(OwnFields::class)->keep($field, 7, $wrong))->toThrow(FieldRefused::class, $why)
        ->and(written($field, 7))->toBe($before)->and($before)->toHaveCount(1);
})->with([
    'a long text' => [FieldKind::Text, 'short', str_repeat('x', 501), '500'],
    'no number' => [FieldKind::Number, '1', 'twelve', 'twelve'],
    'two points' => [FieldKind::Number, '1', '1.234,5', '1.234,5'],
    'too many digits' => [FieldKind::Number, '1', '1234567890123456', '1234567890123456'],
    'seven decimals' => [FieldKind::Number, '1', '0.0000001', '0.0000001'],
    'in another base' => [FieldKind::Number, '1', '1e5', '1e5'],
    'no date' => [FieldKind::Date, '2026-11-23', 'tomorrow', 'tomorrow'],
    'a day that is not there' => [FieldKind::Date, '2026-11-23', '2026-02-30', '2026-02-30'],
    'a date in another order' => [FieldKind::Date, '2026-11-23', '23.11.2026', '23.11.2026'],
    'no choice of these' => [FieldKind::Choice, 'Torn sail', 'Wet', 'Wet'],
    'neither yes nor no' => [FieldKind::YesNo, 'yes', 'perhaps', 'perhaps'],
]);

it('puts what is new in place of what was there, and says both', function (): void {
    $field = fieldOf(FieldKind::Choices, ['A', 'B', 'C']);
    $keep = app(OwnFields::class);
    expect($keep->keep($field, 7, ['A', 'B']))->toBe(['', 'A, B'])
        ->and($keep->keep($field, 7, ['C']))->toBe(['A, B', 'C'])
        ->and($keep->keep($field, 7, []))->toBe(['C', ''])
        ->and($keep->keep($field, 7, null))->toBeNull();
});

it('takes nothing new for a retired field, shows what is there, and lets it be taken away', function (): void {
    $field = fieldOf(FieldKind::Text);
    app(OwnFields::class)->keep($field, 7, 'K');
    $field->forceFill(['retired_at' => now()])->save();
    expect(fn () => app(OwnFields::class)->keep($field, 7, 'L'))->toThrow(FieldRefused::class)
        ->and(written($field, 7))->toBe(['K'])
        ->and(array_column(array_column(app(OwnFields::class)->of(About::Conversation, 8), 'field'), 'id'))->not->toContain($field->id)
        ->and(app(OwnFields::class)->keep($field, 7, ''))->toBe(['K', '']);
});

it('stops resolving while a required one is empty, whatever its kind, and not for one that is retired', function (
    FieldKind $kind, string $value
): void {
    $conversation = Mails::conversation();
    $field = fieldOf($kind, ['A', 'B'], true);
    $fields = app(OwnFields::class);
    expect($fields->missingToResolve($conversation->id))->toBe([$field->name]);
    $this->actingAs($this->teammate('ilse'))->post("/conversations/{$conversation->id}/state", ['state' => 'resolved']);
    expect($conversation->refresh()->state->isDone())->toBeFalse();
    // Nought and no are something.
    $fields->keep($field, $conversation->id, $value);
    expect($fields->missingToResolve($conversation->id))->toBe([]);
    app(ChangeState::class)->refuseIfIncomplete($conversation);
    $fields->keep($field, $conversation->id, '');
    $field->forceFill(['retired_at' => now()])->save();
    expect($fields->missingToResolve($conversation->id))->toBe([]);
})->with([
    [FieldKind::Text, 'K'], [FieldKind::Number, '0'], [FieldKind::Date, '2026-11-23'], [FieldKind::Choice, 'A'],
    [FieldKind::Choices, 'B'], [FieldKind::YesNo, 'no'],
]);

it('reads what is written about many in as many queries as about one', function (): void {
    $fields = [fieldOf(FieldKind::Text), fieldOf(FieldKind::Choices, ['A', 'B'])];
    foreach (range(1, 12) as $id) {
        app(OwnFields::class)->keep($fields[0], $id, "text {$id}");
        app(OwnFields::class)->keep($fields[1], $id, ['B', 'A']);
    }
    $queries = static function (array $ids): int {
        Illuminate\Support\Facades\DB::enableQueryLog();
        Illuminate\Support\Facades\DB::flushQueryLog();
        app(OwnFields::class)->ofMany(About::Conversation, $ids);

        return count(Illuminate\Support\Facades\DB::getQueryLog());
    };
    expect($queries(range(1, 12)))->toBe($queries([1]))
        ->and(app(OwnFields::class)->ofMany(About::Conversation, [3, 4])[3])
        ->toBe([$fields[0]->word => ['text 3'], $fields[1]->word => ['B', 'A']]);
});
