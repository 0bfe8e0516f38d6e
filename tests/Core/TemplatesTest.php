<?php

declare(strict_types=1);

use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Money\Currency;
use Cairnfield\Core\Money\Money;
use Cairnfield\Core\Templates\Day;
use Cairnfield\Core\Templates\FilledText;
use Cairnfield\Core\Templates\Gap;
use Cairnfield\Core\Templates\KnownValues;
use Cairnfield\Core\Templates\LanguageChoice;
use Cairnfield\Core\Templates\Placeholder;
use Cairnfield\Core\Templates\Situation;
use Cairnfield\Core\Templates\Suggestion;
use Cairnfield\Core\Templates\Suggestions;
use Cairnfield\Core\Templates\TemplateHabit;
use Cairnfield\Core\Templates\TemplateRefused;
use Cairnfield\Core\Templates\TemplateText;
use Cairnfield\Core\Templates\Withheld;
use Cairnfield\Core\Templates\Wording;
use Cairnfield\Core\Text\WordDifference;

/**
 * @param  array<string, mixed>  $values
 */
function fill(string $written, array $values, string $language = 'en', bool $isHtml = false): FilledText
{
    return ($isHtml ? TemplateText::ofHtml($written) : TemplateText::ofText($written))->fill(
        new KnownValues($values), new Wording($language, new DateTimeZone('Europe/Copenhagen'))
    );
}

it('fills placeholders, and falls back where there is nothing', function (): void {
    $values = ['customer.first_name' => 'Ana', 'order.number' => 'B-20431', 'customer.name' => "  \n"];
    expect(fill('Hello {{ customer.first_name | "there" }}, about {{order.number}}.', $values)->text)->toBe('Hello Ana, about B-20431.')
        ->and(fill('Hello {{ customer.name | "there" }}!', $values)->text)->toBe('Hello there!')
        ->and(fill('{{ parcel.number | order.number | "it" }}', $values)->text)->toBe('B-20431')
        ->and(fill('{{ parcel.number | "" }}.', $values)->text)->toBe('.')
        ->and(fill('Nothing { to } fill }}.', [])->text)->toBe('Nothing { to } fill }}.');
});

it('tells nothing of what is withheld, and answers no question in its stead', function (string $written, string $is): void {
    expect(fill($written, [
        'order.number' => Withheld::Text, 'order.sent' => Withheld::Fact, 'customer.orders' => Withheld::Fact, 'store.open' => true,
    ])->text)->toBe($is);
})->with([
    'a fallback' => ['About {{ order.number | "your order" }}.', 'About your order.'],
    'no fallback' => ['About {{ order.number }}.', 'About {{ order.number }}.'],
    'words that are there' => ['{{ if order.number }}About {{ order.number }}: {{ end }}yes', 'yes'],
    'words that are there, else' => ['{{ if order.number }}About it{{ else }}Which order?{{ end }}', 'Which order?'],
    'words that are not there' => ['{{ if not order.number }}Which order?{{ end }}', 'Which order?'],
    'words that are those' => ['{{ if order.number is "B-1" }}one{{ end }}.', '.'],
    'words that are not those' => ['{{ if order.number is not "B-1" }}one{{ end }}', '{{ order.number }}'],
    'what is so' => ['{{ if order.sent }}It has left. {{ end }}Thanks.', 'Thanks.'],
    'what is so, else' => ['{{ if order.sent }}It has left.{{ else }}Not yet.{{ end }}', '{{ order.sent }}'],
    'what is not so' => ['{{ if not order.sent }}Not yet.{{ end }}', '{{ order.sent }}'],
    'a number' => ['{{ if customer.orders less than 2 }}Welcome.{{ else }}Again.{{ end }}', '{{ customer.orders }}'],
    'after another that holds' => ['{{ if store.open }}Open.{{ else if order.sent }}Left.{{ else }}No.{{ end }}', 'Open.'],
    'after another that does not' => ['{{ if not store.open }}Open.{{ else if order.sent }}Left.{{ end }}', '{{ order.sent }}'],
]);

it('leaves what it cannot fill visible, and says where', function (): void {
    $filled = fill("Hello,\n\nyour parcel {{ parcel.number }} is with {{ parcel.carrier }}.", []);
    expect($filled->text)->toBe("Hello,\n\nyour parcel {{ parcel.number }} is with {{ parcel.carrier }}.")
        ->and($filled->gaps)->toEqual([new Gap('parcel.number', 3), new Gap('parcel.carrier', 3)])
        ->and(FilledText::gapsIn($filled->text))->toEqual($filled->gaps)
        ->and(FilledText::gapsIn("{{ a.b }}\n\n{{ c.d }}\n"))->toEqual([new Gap('a.b', 1), new Gap('c.d', 3)])
        ->and(FilledText::gapsIn('A {{ curly }} word, {{ not a.placeholder }}, and braces {{}}.'))->toBe([])
        ->and(FilledText::gapsIn("One\n{{ if order.sent }} left {{ end }}"))->toEqual([new Gap('order.sent', 2)]);
});

it('writes dates, moments and amounts the way the language does', function (
    string $language, string $day, string $amount, string $moment
): void {
    $values = [
        'order.sent_on' => Day::of('2026-11-24'),
        'order.total' => Money::of('1234.50', Currency::of('DKK')),
        'order.at' => new DateTimeImmutable('2026-11-24T08:05:00Z'),
    ];
    $shown = static fn (string $text): string => (string) preg_replace('/[\x{A0}\x{202F}]/u', ' ', $text);
    expect($shown(fill('{{ order.sent_on }}', $values, $language)->text))->toBe($day)
        ->and($shown(fill('{{ order.total }}', $values, $language)->text))->toBe($amount)
        ->and($shown(fill('{{ order.at }}', $values, $language)->text))->toContain($moment);
})->with([
    'English' => ['en-GB', '24 November 2026', 'DKK 1,234.50', '09:05'],
    'Danish' => ['da', '24. november 2026', '1.234,50 kr.', '09.05'],
    'German' => ['de', '24. November 2026', '1.234,50 DKK', '09:05'],
]);

it('writes amounts of any currency and size to the last unit', function (): void {
    $amount = static fn (string $amount, string $currency): string => (string) preg_replace(
        '/[\x{A0}\x{202F}]/u', ' ', fill('{{ a.b }}', ['a.b' => Money::of($amount, Currency::of($currency))])->text
    );
    expect($amount('1200', 'JPY'))->toBe('¥1,200')
        ->and($amount('0.05', 'EUR'))->toBe('€0.05')
        ->and($amount('-12.30', 'GBP'))->toBe('-£12.30')
        ->and($amount('12345678901234567.89', 'EUR'))->toBe('12345678901234567.89 EUR');
});

it('asks small questions inside a text', function (string $test, bool $holds): void {
    $values = [
        'order.sent' => true, 'order.paid' => false, 'order.state' => 'Sent', 'customer.orders' => 3, 'customer.none' => 0,
        'store.name' => 'Brindle',
    ];
    expect(fill("{{ if {$test} }}yes{{ else }}no{{ end }}", $values)->text)->toBe($holds ? 'yes' : 'no');
})->with([
    ['order.sent', true], ['not order.sent', false], ['order.paid', false], ['not order.paid', true], ['order.gone', false],
    ['order.state is "sent"', true], ['order.state is not "sent"', false], ['order.state is "packed"', false], [
        'not order.state is "packed"', true,
    ],
    ['customer.orders', true], ['customer.none', false], ['customer.orders at least 3', true], ['customer.orders more than 3', false],
    ['customer.orders at most 3', true], [
        'customer.orders less than 3', false,
    ], ['customer.orders at most 2', false], ['customer.orders less than 4', true], ['customer.none less than 1', true],
    // What is no number is neither more nor less.
    ['store.name at least 1', false], ['customer.gone less than 5', false], ['customer.orders is "3"', true],
]);

it('takes the first branch that holds, and no line stays empty for its sake', function (): void {
    $text = "Hello,\n{{ if order.sent }}\nit left on {{ order.sent_on }}.\n{{ else if order.paid }}\nit is being packed.\n{{ else "
        ."}}\nwe wait for the payment.\n{{ end }}\nBest";
    expect(fill($text, ['order.sent' => true, 'order.sent_on' => 'Monday'])->text)->toBe("Hello,\nit left on Monday.\nBest")
        ->and(fill($text, ['order.paid' => true])->text)->toBe("Hello,\nit is being packed.\nBest")
        ->and(fill($text, [])->text)->toBe("Hello,\nwe wait for the payment.\nBest")
        // Only what is shown has to be filled.
        ->and(fill($text, [])->gaps)->toBe([])
        ->and(fill('A {{ if a.b }}{{ if a.c }}both{{ else }}one{{ end }}{{ end }}.', ['a.b' => 'x', 'a.c' => 'y'])->text)->toBe('A both.')
        ->and(array_map(static fn (Placeholder $one): array => $one->names, TemplateText::ofText($text)->placeholders()))
        ->toBe([['order.sent'], ['order.sent_on'], ['order.paid']]);
});

it('fills rich text with values that cannot become markup', function (): void {
    $filled = fill(
        '<div>Hello <strong>{{ customer.name | "you &amp; yours" }}</strong>,<br>{{ if order.sent }}<br>sent<br>{{ end }}<br>bye '
            .'&#34;x&#34; {{ store.name | &#34;us&#34; }}</div>',
        ['customer.name' => "<b>Ana</b>\n& co", 'order.sent' => true], isHtml: true
    );
    expect($filled->text)->toBe('<div>Hello <strong>&lt;b&gt;Ana&lt;/b&gt;<br>&amp; co</strong>,<br>sent<br>bye &#34;x&#34; us</div>');
});

it('says what is wrong with a text, and where', function (string $written, string $code, string $at, bool $isHtml = false): void {
    try {
        $isHtml ? TemplateText::ofHtml($written) : TemplateText::ofText($written);
    } catch (TemplateRefused $why) {
        expect([$why->errorCode(), $why->at()])->toBe([$code, $at]);

        return;
    }
    test()->fail("“{$written}” was taken.");
})->with([
    ['Hello {{ customer.name', 'placeholder_not_closed', '1:7'],
    ["A\nbé {{ customer.name\n}}", 'placeholder_not_closed', '2:4'],
    ['{{ {{ customer.name }} }}', 'placeholder_not_closed', '1:1'],
    ['{{ name }}', 'bad_placeholder', '1:1'],
    ['{{ }}', 'bad_placeholder', '1:1'],
    ['{{ Customer.Name }}', 'bad_placeholder', '1:1'],
    ['{{ customer.name | there }}', 'bad_placeholder', '1:1'],
    ['{{ if }}x{{ end }}', 'bad_test', '1:1'],
    ['{{ if order.total > 5 }}x{{ end }}', 'bad_test', '1:1'],
    ['{{ if order.sent }}x', 'if_without_end', '1:1'],
    ['x {{ end }}', 'end_without_if', '1:3'],
    ['{{ if a.b }}x{{ else }}y{{ else }}z{{ end }}', 'end_without_if', '1:25'],
    [str_repeat('{{ if a.b }}', 6).str_repeat('{{ end }}', 6), 'nested_too_deep', '1:61'],
    [str_repeat('x', 50_001), 'template_too_long', '1:1'],
    ['<div>{{ customer.<b>name</b> }}</div>', 'formatted_placeholder', '1:6', true],
    ['<div>{{ customer<br>.name }}</div>', 'placeholder_not_closed', '1:6', true],
]);

it('answers in the language of the conversation, or says that it cannot', function (
    array $there, ?string $wanted, string $language, bool $isWanted
): void {
    $choice = LanguageChoice::of($there, $wanted, 'en');
    expect([$choice->language, $choice->isWanted])->toBe([$language, $isWanted]);
})->with([
    [['en', 'da'], 'da', 'da', true],
    [['en', 'da'], 'de', 'en', false],
    [['da', 'de'], 'fr', 'da', false],
    [['da', 'en'], null, 'en', true],
    [['pt', 'en'], 'pt-BR', 'pt', true],
    [['en', 'pt-BR'], 'pt', 'pt-BR', true],
    [['pt', 'pt-BR'], 'PT-br', 'pt-BR', true],
    [['da', 'en'], 'fr', 'en', false],
    [['da', 'en-GB'], 'fr', 'en-GB', false],
    [['de', 'DA-dk'], 'da', 'DA-dk', true],
]);

it('tells how much of a text was changed, by its words and their order', function (string $given, string $made, float $share): void {
    expect(WordDifference::between($given, $made)->share())->toEqualWithDelta($share, 0.0001);
})->with([
    ['Hello Ana, your kite is on its way.', 'Hello Ana, your kite is on its way.', 0.0],
    // Signs, case and what stands around it do not count.
    ['Your kite is on its way', 'Dear Ana: your KITE is, on its way! All the best.', 0.0],
    ['one two three four', 'one two five four', 0.25],
    ['one two three four', 'four three two one', 0.75],
    ['one two', 'nothing left', 1.0],
    ['', 'anything', 0.0],
    ['anything', '', 1.0],
]);

it('never finds more kept than there was, and everything of a text in itself', function (): void {
    mt_srand(5);
    $text = static fn (): string => implode(
        ' ',
        array_map(static fn (): string => ['kite', 'line', 'spar', 'tail', 'reel'][mt_rand(0, 4)], array_fill(0, mt_rand(0, 40), 0))
    );
    for ($round = 0; $round < 300; $round++) {
        [$one, $other] = [$text(), $text()];
        $between = WordDifference::between($one, $other);
        expect($between->kept)->toBe(WordDifference::between($other, $one)->kept)
            ->and($between->share())->toBeBetween(0.0, 1.0)
            ->and(WordDifference::between($one, "{$other} {$one}")->share())->toBe(0.0);
    }
});

it('suggests what was used on conversations like this one, with the reason', function (): void {
    $habits = [
        new TemplateHabit(1, 40, [7 => 35, 8 => 5], ['email' => 30, 'pennon' => 10], ['parcel' => 30, 'late' => 28, 'where' => 20]),
        new TemplateHabit(2, 30, [8 => 29], ['email' => 30], ['spar' => 25, 'broken' => 22, 'parcel' => 2]),
        new TemplateHabit(3, 60, [9 => 60], ['email' => 60], ['invoice' => 50]),
        new TemplateHabit(4, 1, [7 => 1], ['email' => 1], ['parcel' => 1]),
    ];
    $late = Suggestions::of(new Situation(7, 'email', ['parcel', 'where', 'friday']), $habits);
    expect(array_map(static fn (Suggestion $one): int => $one->template, $late))->toBe([1])
        ->and($late[0]->inCategory)->toBe(35)->and($late[0]->words)->toBe(['where', 'parcel'])
        // Nothing in common, no suggestion, however often it was used; once is no habit.
        ->and(
            array_map(static fn (Suggestion $one): int => $one->template, Suggestions::of(new Situation(null, 'email', ['spar']), $habits))
        )
        ->toBe([2])
        ->and(Suggestions::of(new Situation(null, 'email', ['teapot']), $habits))->toBe([])
        ->and(Suggestions::of(new Situation(7, 'email', []), []))->toBe([]);
});

it('weighs what it suggests by how much likelier each sign is with the template than with any', function (): void {
    $habits = [
        new TemplateHabit(1, 4, [7 => 3], ['email' => 2], ['late' => 2]),
        new TemplateHabit(2, 6, [7 => 1], ['email' => 6], []),
    ];
    $found = Suggestions::of(new Situation(7, 'email', ['late']), $habits);
    // A rate of all is drawn towards none by ten more without any template, one of a template towards that of all by one.
    $likelier = static fn (int $with, int $withAny): float => log((($with + ($withAny + 0.5) / 20) / (4 + 1)) / (($withAny + 0.5) / 20));
    expect($found)->toHaveCount(1)->and($found[0]->template)->toBe(1)
        ->and($found[0]->weight)->toEqualWithDelta(log(4 / 10) + $likelier(3, 4) + $likelier(2, 8) + $likelier(2, 2), 1e-9);
});

/**
 * The rule in plain words, for one template after the other: weight, template, uses in the category and the words that speak for it.
 *
 * @param  list<TemplateHabit>  $habits
 * @return list<array{float, int, int, list<string>}>
 */
function suggestedByTheWords(Situation $situation, array $habits): array
{
    $habits = array_filter($habits, static fn (TemplateHabit $habit): bool => $habit->uses > 1);
    $uses = array_sum(array_column($habits, 'uses'));
    $count = static fn (TemplateHabit $habit, string $sign, int|string|null $is): int => $is === null ? 0 : ($habit->{$sign}[$is] ?? 0);
    $likelier = static function (TemplateHabit $habit, string $sign, int|string $is) use ($habits, $uses, $count): float {
        $withAny = array_sum(array_map(static fn (TemplateHabit $one): int => $count($one, $sign, $is), $habits));
        $usually = ($withAny + 0.5) / ($uses + 10);

        return log(($count($habit, $sign, $is) + $usually) / ($habit->uses + 1) / $usually);
    };
    $found = [];
    foreach ($habits as $habit) {
        $words = [];
        foreach ($situation->words as $word) {
            if ($count($habit, 'byWord', $word) > 1) {
                $words[$word] = min(2.0, $likelier($habit, 'byWord', $word));
            }
        }
        $speaking = array_filter($words, static fn (float $by): bool => $by > 0.1);
        arsort($speaking);
        $byAll = ($situation->category === null ? 0.0 : $likelier($habit, 'byCategory', $situation->category)) + array_sum($words);
        $known = $count($habit, 'byCategory', $situation->category) > 0;
        $byWordsAlone = array_sum($words) >= 1.0 && count($speaking) >= ($situation->category === null ? 1 : 2);
        if ($byAll > 0.0 && ($known || $byWordsAlone)) {
            $found[] = [
                log($habit->uses / $uses) + $likelier($habit, 'byChannel', $situation->channel) + $byAll, $habit->template,
                $count($habit, 'byCategory', $situation->category), array_slice(array_map(strval(...), array_keys($speaking)), 0, 3),
            ];
        }
    }
    usort($found, static fn (array $one, array $other): int => $other[0] <=> $one[0] ?: $one[1] <=> $other[1]);

    return array_slice($found, 0, 3);
}

it('suggests what the rule says, over any habits, in any order', function (): void {
    mt_srand(11);
    $some = static function (array $of, int $most): array {
        $counts = [];
        foreach ($of as $one) {
            mt_rand(0, 2) === 0 ?: $counts[$one] = mt_rand(0, $most);
        }

        return $counts;
    };
    $words = ['parcel', 'late', 'spar', 'broken', 'invoice', '20431'];
    $none = 0;
    for ($round = 0; $round < 400; $round++) {
        $habits = array_map(static function (int $template) use ($some, $words): TemplateHabit {
            $uses = mt_rand(1, 12);

            return new TemplateHabit($template, $uses, $some([0, 1, 7], $uses), $some(['email', 'chat'], $uses), $some($words, $uses));
        }, range(1, mt_rand(1, 7)));
        shuffle($habits);
        $asked = new Situation(
            [null, 0, 1, 7, 9][mt_rand(0, 4)], ['email', 'chat', 'form'][mt_rand(0, 2)], array_slice($words, 0, mt_rand(0, 6))
        );
        $found = Suggestions::of($asked, $habits);
        $expected = suggestedByTheWords($asked, $habits);
        $none += $found === [] ? 1 : 0;
        expect(array_map(static fn (Suggestion $one): array => [$one->template, $one->inCategory, $one->words], $found))
            ->toBe(array_map(static fn (array $one): array => array_slice($one, 1), $expected));
        foreach ($found as $index => $one) {
            expect($one->weight)->toEqualWithDelta($expected[$index][0], 1e-9);
        }
    }
    expect($none)->toBeGreaterThan(20)->toBeLessThan(300);
});

it('puts those that weigh the same in the order of their numbers', function (): void {
    $alike = static fn (int $template): TemplateHabit => new TemplateHabit($template, 3, [7 => 3], ['email' => 3], []);
    $found = Suggestions::of(new Situation(7, 'email', []), [$alike(4), $alike(2), $alike(9), $alike(3)]);
    expect(array_map(static fn (Suggestion $one): int => $one->template, $found))->toBe([2, 3, 4]);
});

it('rather suggests nothing than guesses from what was used once or twice', function (): void {
    $habits = [
        new TemplateHabit(1, 3, [7 => 3], ['email' => 3], ['spar' => 3, 'photo' => 1]),
        new TemplateHabit(2, 2, [9 => 2], ['email' => 2], ['company' => 2, 'photo' => 1]),
        new TemplateHabit(3, 4, [8 => 4], ['email' => 4], ['colour' => 2]),
    ];
    $for = static fn (?int $category, string ...$words): array => array_map(
        static fn (Suggestion $one): int => $one->template,
        Suggestions::of(new Situation($category, 'email', array_values($words)), $habits)
    );
    // The category alone is enough; one word that was there once is not, nor is the channel that all came by.
    expect($for(7))->toBe([1])->and($for(7, 'photo'))->toBe([1])->and($for(5, 'photo'))->toBe([])->and($for(null))->toBe([])
        // Words that came each time are, even where nobody has sorted it yet.
        ->and($for(null, 'spar'))->toBe([1])->and($for(null, 'company'))->toBe([2])
        // Under something else, one word is not enough.
        ->and($for(5, 'spar'))->toBe([]);
});

it('takes dates of the calendar only', function (string $date): void {
    expect(static fn () => Day::of($date))->toThrow(BadInput::class);
})->with(['2026-02-30', '2026-2-3', 'tomorrow', '']);

it('writes dates as they are written where the store is', function (string $language, ?string $region, string $is): void {
    $wording = new Wording($language, new DateTimeZone('Europe/Copenhagen'), $region);

    expect($wording->of(Day::at(new DateTimeImmutable('2026-11-11T10:00:00Z'), new DateTimeZone('Europe/Copenhagen'))))->toBe($is);
})->with([
    [
        'en', null, 'November 11, 2026',
    ], [
        'en', 'US', 'November 11, 2026',
    ], ['en', 'GB', '11 November 2026'], ['en', 'DK', '11 November 2026'], ['en', 'PL', '11 November 2026'],
    ['da', 'DK', '11. november 2026'], ['de', 'DK', '11. November 2026'], ['en-US', 'DK', 'November 11, 2026'], [
        'lv', 'DK', '2026. gada 11. novembris',
    ],
]);

it('leaves a text without placeholders as it is, line ends aside', function (): void {
    mt_srand(3);
    $pieces = ['Hello', ' ', "\n", '{', '}', '}}', '{ {', '"', '|', 'ü', '返品', '<b>', '&amp;', "\t", '$1', '\\', '%s'];
    for ($round = 0; $round < 500; $round++) {
        $text = implode('', array_map(static fn (): string => $pieces[mt_rand(0, count($pieces) - 1)], range(1, mt_rand(1, 12))));
        if (! str_contains($text, '{{')) {
            expect(fill($text, [])->text)
                ->toBe($text)
                ->and(fill($text, [])->gaps)
                ->toBe([])
                ->and(fill($text, [], isHtml: true)->text)
                ->toBe($text);
        }
    }
    expect(fill("One\r\nTwo\rThree", [])->text)->toBe("One\nTwo\nThree");
});

it('never makes markup or placeholders of a value', function (string $value): void {
    $html = fill('<p>{{ customer.name }}</p>', ['customer.name' => $value], isHtml: true)->text;
    expect(strip_tags($html, '<br>'))->toBe(substr($html, 3, -4))
        ->and(html_entity_decode(str_replace('<br>', "\n", substr($html, 3, -4)), ENT_QUOTES | ENT_HTML5))->toBe($value)
        ->and(fill('{{ customer.name }}', ['customer.name' => $value])->text)->toBe($value)
        ->and(fill('{{ customer.name }} {{ order.number }}', ['customer.name' => $value])->gaps)->toHaveCount(1);
})->with([
    '<script>alert(1)</script>', '"><img src=x onerror=y>', "O'Brien & \"sons\"", "two\nlines", '{{ order.number }}',
    '{{ if a.b }}x{{ end }}', '&lt;b&gt;',
]);

it('says of every gap what and in which line of the filled text, also below others that were filled', function (): void {
    $filled = fill("{{ a.b }}\n{{ c.d }}\n\n{{ e.f }} {{ e.g }}", ['a.b' => "two\nlines"]);
    expect($filled->gaps)->toEqual([new Gap('c.d', 3), new Gap('e.f', 5), new Gap('e.g', 5)])
        ->and(array_map(static fn (Gap $gap): string => $gap->name, FilledText::gapsIn($filled->text)))->toBe(['c.d', 'e.f', 'e.g']);
});

it('takes whatever depth and branch holds, and nothing of the others', function (int $depth): void {
    $text = str_repeat('{{ if a.b }}<', $depth).'in'.str_repeat('>{{ else }}not{{ end }}', $depth);
    expect(fill($text, ['a.b' => true])->text)->toBe(str_repeat('<', $depth).'in'.str_repeat('>', $depth))
        ->and(fill($text, [])->text)->toBe('not');
})->with([1, 2, 3, 4, 5]);

it('leaves no empty line for a line on which only a question stands, and keeps those that were written', function (
    string $written, string $filled
): void {
    expect(fill($written, ['a.b' => true])->text)->toBe($filled);
})->with([
    ["One\n{{ if a.b }}\nTwo\n{{ end }}\nThree", "One\nTwo\nThree"],
    ["One\n\n{{ if a.b }}\nTwo\n{{ end }}\n\nThree", "One\n\nTwo\n\nThree"],
    ["{{ if a.b }}\nOne\n{{ end }}", "One\n"],
    ["One {{ if a.b }}two{{ end }}\nthree", "One two\nthree"],
    ["One\n  {{ if a.b }}  \nTwo\n\t{{ end }}\nThree", "One\nTwo\nThree"],
    ["One\n{{ if c.d }}\nTwo\n{{ end }}\nThree", "One\nThree"],
    ["One\n{{ if c.d }}\nTwo\n{{ else }}\nElse\n{{ end }}\nThree", "One\nElse\nThree"],
]);

it('keeps what surrounds bytes of a value that are no text', function (): void {
    expect(
        fill('<p>{{ customer.name }}</p>', ['customer.name' => "An\xE9 Sørensen"], isHtml: true)->text
    )->toBe("<p>An\u{FFFD} Sørensen</p>")
        ->and(fill('<p title="{{ customer.name }}">x</p>', ['customer.name' => '"\'&'], isHtml: true)->text)
        ->toBe('<p title="&quot;&apos;&amp;">x</p>');
});

it('takes a text of exactly as many characters as it may have', function (): void {
    $longest = TemplateText::LONGEST;
    expect(fill(str_repeat('ø', $longest), [])->text)->toHaveLength($longest)
        ->and(static fn () => TemplateText::ofText(str_repeat('ø', $longest + 1)))->toThrow(TemplateRefused::class);
});

it('says yes in the language, also in one of its regions', function (string $language, string $yes): void {
    expect(fill('{{ order.sent }}', ['order.sent' => true], $language)->text)->toBe($yes);
})->with([['da', 'ja'], ['fr', 'oui'], ['pt-BR', 'sim'], ['ja', 'はい'], ['en', 'yes'], ['fi', 'yes']]);
