<?php

declare(strict_types=1);

use Cairnfield\Core\Text\JunkSignals;

it('knows plain junk, and says why', function (): void {
    $junk = JunkSignals::of('FIRST PAGE OF GOOGLE IN 7 DAYS', 'We offer SEO and backlinks to increase your traffic!!!', 'Growth Team', 'x@growth.example');
    expect($junk->areEnough())->toBeTrue()
        ->and($junk->reasons)->toContain('its subject is all capitals');

    $phish = JunkSignals::of('Your mailbox', 'Please verify your account', 'care@brindle.example', 'a@b.example', '<a href="https://evil.example/x">https://brindle.example/login</a>');
    expect($phish->areEnough())->toBeTrue();
});

it('leaves customers alone, also the upset ones', function (string $subject, string $text, string $name): void {
    expect(JunkSignals::of($subject, $text, $name, 'ana@wrenfield.example')->areEnough())->toBeFalse();
})->with([
    ['WHERE IS MY KITE', 'THIS IS THE THIRD TIME I WRITE!!! B-20388', 'Ana Wrenfield'],
    ['Two links', 'See https://wren.example/t/1 and https://shop.example/o/2, both say delivered, but nothing has come to us yet.', 'Ana'],
    ['lottery', 'My school runs a lottery for the festival, may we give away a Merlin?', 'Ana'],
    ['', '🪁', ''],
]);
