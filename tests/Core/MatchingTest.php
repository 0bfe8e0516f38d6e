<?php

declare(strict_types=1);

use Cairnfield\Core\Matching\Likeness;
use Cairnfield\Core\Matching\PersonFacts;
use Cairnfield\Core\Matching\PersonName;

it('knows the same name however it is written', function (string $one, string $other): void {
    expect(PersonName::of($one)->isSameAs(PersonName::of($other)))->toBeTrue();
})->with([
    ['Maja Österlund', 'maja osterlund'],
    ['Østerlund, Maja', 'Maja Osterlund'],
    ['Dr. Tomas Hrubý', 'TOMÁŠ HRUBY'],
    ['Ana Maria Wrenfield', 'Ana Wrenfield'],
    ['Jürgen Weiß', 'Jurgen Weiss'],
]);

it('does not take a part for the whole', function (string $one, string $other): void {
    expect(PersonName::of($one)->isSameAs(PersonName::of($other)))->toBeFalse();
})->with([['Maja', 'Maja'], ['Maja Österlund', 'Maja Lind'], ['', ''], ['Ana Wrenfield', 'Wrenfield']]);

it('sees through typing errors and initials', function (): void {
    expect(PersonName::of('Ana Wrenfield')->isLike(PersonName::of('Ana Wernfield')))->toBeTrue()
        ->and(PersonName::of('A. Wrenfield')->isLike(PersonName::of('Ana Wrenfield')))->toBeTrue()
        ->and(PersonName::of('Ana Wrenfield')->isLike(PersonName::of('Eva Wrenfield')))->toBeFalse()
        ->and(PersonName::of('Lars Uddin')->isLike(PersonName::of('Lars Holm')))->toBeFalse();
});

it('never proposes by name alone', function (): void {
    $likeness = Likeness::of(new PersonFacts('Ana Wrenfield', ['ana@a.example']), new PersonFacts('Ana Wrenfield', ['ana@b.example']));
    expect($likeness->isProposed())->toBeFalse()->and($likeness->reasons)->toBe([]);
});

it('proposes with its reasons, the strongest first', function (PersonFacts $one, PersonFacts $other, array $reasons): void {
    $likeness = Likeness::of($one, $other);
    expect($likeness->isProposed())->toBeTrue()->and($likeness->reasons)->toBe($reasons)
        ->and(Likeness::of($other, $one)->points)->toBe($likeness->points);
})->with([
    'a telephone number' => [
        new PersonFacts('Ana', telephones: ['+4511223344']), new PersonFacts('A. W.', telephones: ['+4511223344']),
        ['same telephone number +4511223344'],
    ],
    'another’s order' => [
        new PersonFacts('Ana Wrenfield', orders: ['B-20388']),
        new PersonFacts('anawren', accountNames: ['anawren'], ordersNamed: ['B-20388']),
        ['one wrote about the other’s order B-20388'],
    ],
    'an account name and a name' => [
        new PersonFacts('Ana Wrenfield', ['ana.wrenfield@mail.example']),
        new PersonFacts('Ana Wrenfield', accountNames: ['anawrenfield']),
        ['account name as in the email address: anawrenfield', 'same name Ana Wrenfield'],
    ],
    'an address and nearly a name' => [
        new PersonFacts('Ana Wrenfield', addresses: ['4 Quay Row, 1100 Port']),
        new PersonFacts('Ana Wernfield', addresses: ['4, Quay Row 1100 PORT']),
        ['same postal address 4 Quay Row, 1100 Port', 'nearly the same name: Ana Wrenfield, Ana Wernfield'],
    ],
]);

it('does not take a family for one person', function (): void {
    $likeness = Likeness::of(
        new PersonFacts('Beatriz Sá', orders: ['B-20412']),
        new PersonFacts('Runa Bech', ordersNamed: ['B-20412']),
    );
    expect($likeness->isProposed())->toBeFalse()->and($likeness->reasons)->toContain('but different names: Beatriz Sá, Runa Bech');
});
