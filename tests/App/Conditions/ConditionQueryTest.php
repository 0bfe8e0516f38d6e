<?php

declare(strict_types=1);

use App\Companies\Company;
use App\Companies\MergeCompanies;
use App\Companies\SaveCompany;
use App\Conditions\ConditionQuery;
use App\Conditions\ConversationFields;
use App\Conditions\UnknownField;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnField;
use App\Fields\OwnFields;
use App\Sorting\ArrangeFields;
use App\Sorting\Category;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\Operator;
use Carbon\CarbonImmutable;
use Tests\App\Mails;

const WORDS = ['Kite', 'línea', 'STRASSE', '返品したい', 'späť', '50 %', 'c++', 'under_score', '', 'मेरी पतंग', 'two  words', 'Δέλτα'];

/**
 * @param  array<string, mixed>  $condition
 * @return list<int>
 */
function found(array $condition): array
{
    $query = Conversation::query();
    app(ConditionQuery::class)->narrow($query, Condition::read(json_decode((string) json_encode($condition))));

    return array_values($query->orderBy('id')->pluck('id')->all());
}

/**
 * Conversations that differ in everything that can be asked.
 */
function variedConversations(int $count): void
{
    $pick = static fn (array $of): mixed => $of[mt_rand(0, count($of) - 1)];
    $categories = [null, ...Category::query()->pluck('id')->all()];
    $tags = array_map(ChangeTags::named(...), ['vip', 'Festival', 'batch K']);
    $tags[2]->forceFill(['merged_into_id' => $tags[0]->id])->save();
    foreach (FieldKind::cases() as $kind) {
        foreach (About::cases() as $about) {
            app(ArrangeFields::class)->make($about, ucfirst($kind->value), $kind, ['Split ferrule', 'Torn sail', '返品'], false);
        }
    }
    $companies = array_map(
        static fn (string $name): Company => app(SaveCompany::class)->save(null, $name, [], [], null), ['Kite Barn', 'Museum', 'Barn Ltd']
    );
    app(MergeCompanies::class)->merge($companies[0], $companies[2], test()->teammate('mads'));
    $customers = [];
    foreach (range(1, $count) as $number) {
        CarbonImmutable::setTestNow(CarbonImmutable::parse('2026-11-23T12:00:00Z')->subMinutes(mt_rand(0, 6000)));
        $conversation = Mails::conversation([
            'From' => "{$pick(WORDS)} <c".mt_rand(1, 12).'@x.example>', 'Subject' => "{$pick(WORDS)} {$pick(WORDS)}",
            'Message-ID' => "<v{$number}@x.example>", 'To' => $pick(['care@brindle.example', 'returns@brindle.example']),
        ]);
        $customers[] = $conversation->customer_id;
        $conversation->forceFill([
            'state' => $pick(ConversationState::cases()),
            'priority' => $pick(Priority::cases()),
            'category_id' => $pick($categories),
            'owner_id' => $pick([null, test()->teammate('ilse')->id, test()->teammate('mads')->id]),
            'language' => $pick([null, 'da', 'de', 'lv']),
            'stars' => $pick([null, 1, 3, 5]),
            'public' => (bool) mt_rand(0, 1),
            'waiting_since' => $pick([null, CarbonImmutable::now()]),
        ])->save();
        $conversation->tags()->sync(
            array_map(static fn ($tag): int => $tag->id, array_filter($tags, static fn (): bool => mt_rand(0, 2) === 0))
        );
        $conversation->customer->forceFill(['company_id' => $pick([null, $companies[0]->id, $companies[1]->id])])->save();
        foreach (OwnField::query()->get() as $field) {
            $about = match ($field->about) {
                About::Conversation => $conversation->id,
                About::Customer => $conversation->customer_id,
                About::Order => null,
                About::Company => $conversation->refresh()->customer->company_id,
            };
            if ($about !== null && mt_rand(0, 2) > 0) {
                app(OwnFields::class)->keep($field, $about, match ($field->kind) {
                    FieldKind::Text => $pick(WORDS),
                    FieldKind::Number => (string) $pick([-2, 0, 3, 12.5]),
                    FieldKind::Date => $pick(['2026-11-01', '2026-12-24']),
                    FieldKind::Choice => $pick($field->choices),
                    FieldKind::Choices => array_slice($field->choices, 0, mt_rand(1, 3)),
                    FieldKind::YesNo => $pick(['yes', 'no']),
                });
            }
        }
    }
    CarbonImmutable::setTestNow('2026-11-23T12:00:00Z');
}

it('finds by query exactly what the core says yes to, whatever is asked', function (): void {
    mt_srand(20261123);
    variedConversations(36);
    $fields = app(ConversationFields::class);
    $all = Conversation::query()->with(['customer.groups', 'tags', 'rating'])->get();
    $pick = static fn (array $of): mixed => array_values($of)[mt_rand(0, count($of) - 1)];
    $value = static function (Operator $operator, array $choices) use ($pick): mixed {
        $word = static fn (): string => mt_rand(0, 3) > 0 && $choices !== [] ? (string) $pick(array_keys($choices)) : $pick([
            ...WORDS, 'STRASSE c++', '返品', 'mads',
        ]);
        $number = static fn (): int|float => $pick([-2, 0, 3, 12.5, 24, 20261101, 20261224, 60]);

        return match ($operator) {
            Operator::Is, Operator::IsNot => $pick([$word(), $number(), null, true, false]),
            Operator::In, Operator::NotIn => array_map(
                static fn (): mixed => $pick([$word(), $word(), $number(), null, true]), range(0, mt_rand(0, 2))
            ),
            Operator::MoreThan, Operator::LessThan, Operator::AtLeast, Operator::AtMost => $number(),
            Operator::StartsWith, Operator::EndsWith => mb_substr($word(), 0, mt_rand(1, 4)),
            Operator::IsEmpty, Operator::IsNotEmpty => null,
            default => array_map(static fn (): string => $word(), range(0, mt_rand(0, 2))),
        };
    };
    $tree = function (int $depth) use (&$tree, $fields, $pick, $value): array {
        if ($depth > 0 && mt_rand(0, 1) === 1) {
            return match (mt_rand(0, 2)) {
                0 => ['all' => array_map(static fn (): array => $tree($depth - 1), range(1, 2))],
                1 => ['any' => array_map(static fn (): array => $tree($depth - 1), range(1, 3))],
                default => ['not' => $tree($depth - 1)],
            };
        }
        $field = $pick($fields->all());
        $operator = mt_rand(0, 2) > 0 ? $pick($field->operators()) : $pick(Operator::cases());

        return ['field' => $field->key(), 'op' => $operator->value, 'value' => $value($operator, $field->choices())];
    };
    $matched = 0;
    for ($case = 0; $case < 700; $case++) {
        $asked = $tree($case % 3 === 0 ? 2 : 0);
        $condition = Condition::read(json_decode((string) json_encode($asked)));
        $expected = array_values(
            $all->filter(static fn (Conversation $conversation): bool => $condition->matches($fields->facts($conversation, $condition)))
                ->pluck('id')
                ->all()
        );
        expect(found($asked))->toBe($expected, (string) json_encode($asked, JSON_UNESCAPED_UNICODE));
        $matched += count($expected) > 0 && count($expected) < 36 ? 1 : 0;
    }
    expect($matched)->toBeGreaterThan(150);
});

it('finds a category’s conversations with those of all below it', function (): void {
    $late = Category::query()->where('name', 'Late parcel')->sole();
    $conversation = Mails::conversation();
    $conversation->forceFill(['category_id' => $late->id])->save();
    expect(found(['field' => 'category', 'op' => 'in', 'value' => [(string) $late->parent_id]]))->toBe([$conversation->id])
        ->and(found(['field' => 'category', 'op' => 'in', 'value' => [(string) $late->id]]))->toBe([$conversation->id])
        ->and(found(['field' => 'category', 'op' => 'not_in', 'value' => [(string) $late->parent_id]]))->toBe([]);
});

it('says which field is not there', function (): void {
    found(['field' => 'own.conversation.batch', 'op' => 'is_empty']);
})->throws(UnknownField::class, 'It asks for “own.conversation.batch”, which is not there any more.');

it('asks the database for parts of words and phrases as the core does', function (string $word, array $subjects): void {
    $all = ['My e-mail', 'Was refunded today', 'Rückgabeetikett fehlt', 'byttereturlabel', 'late–parcel', 'plate parcels'];
    foreach ($all as $number => $subject) {
        Mails::conversation(['Subject' => mb_encode_mimeheader($subject, 'UTF-8'), 'From' => "w{$number}@x.example"]);
    }
    $condition = ['field' => 'subject', 'op' => 'has_any_word', 'value' => [$word]];
    $ids = found(['all' => [$condition]]);
    expect(Conversation::query()->whereKey($ids)->orderBy('id')->pluck('subject')->all())->toBe($subjects);
    $read = Condition::read(json_decode((string) json_encode($condition)));
    $fields = app(ConversationFields::class);
    expect(Conversation::query()->orderBy('id')->get()->filter(
        static fn (Conversation $one): bool => $read->root->matches($fields->facts($one, $read))
    )->values()->modelKeys())->toBe($ids);
})->with([
    ['e mail', ['My e-mail']], ['e-mail', ['My e-mail']], ['refund…', ['Was refunded today']], ['refund', []],
    ['…etikett', ['Rückgabeetikett fehlt']], ['…RETUR…', ['byttereturlabel']], ['late parcel', ['late–parcel']],
    ['…late parcel…', ['late–parcel', 'plate parcels']],
]);
