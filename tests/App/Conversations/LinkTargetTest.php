<?php

declare(strict_types=1);

use App\Conversations\LinkTarget;
use App\Conversations\MessageHtml;
use Tests\App\Mails;

it('tells a link that is written as one place and leads to another', function (string $address, string $text, ?string $leadsTo): void {
    expect(LinkTarget::unlike($address, $text))->toBe($leadsTo);
})->with([
    'another host' => ['https://thief.example/x', 'https://brindle.example/orders', 'thief.example'],
    'without scheme' => ['https://thief.example', 'brindle.example', 'thief.example'],
    'within a sentence' => ['https://thief.example', 'see www.brindle.example/kites, please', 'thief.example'],
    'the host as a name before the real one' => ['https://brindle.example@thief.example/', 'brindle.example', 'thief.example'],
    'the host as a beginning' => ['https://brindle.example.thief.example', 'https://brindle.example', 'brindle.example.thief.example'],
    'letters of another alphabet' => ['https://xn--brndle-1of.example', 'brindle.example', 'xn--brndle-1of.example'],
    'another mailbox' => ['mailto:a@thief.example?subject=brindle.example', 'care@brindle.example', 'thief.example'],
    'in capitals' => ['HTTPS://THIEF.EXAMPLE', 'Brindle.Example', 'thief.example'],
    'the same' => ['https://brindle.example/a?b=c', 'https://brindle.example/other', null],
    'a part of it' => ['https://www.brindle.example', 'brindle.example', null],
    'words' => ['https://thief.example', 'Click here', null],
    'a file' => ['https://files.example/1', 'photo.jpg', null],
    'a number' => ['https://files.example/1', 'version 1.2.3', null],
    'the same mailbox' => ['mailto:care@brindle.example', 'care@brindle.example', null],
    'a telephone' => ['tel:+4520000188', 'brindle.example', null],
    'written in its own letters' => ['https://xn--mller-kva.example', 'müller.example', null],
    'no address' => ['', 'brindle.example', null],
]);

it('says so beside the link', function (): void {
    $conversation = Mails::conversation(
        ['Content-Type' => 'text/html; charset=utf-8', 'MIME-Version' => '1.0'],
        '<p>Pay at <a href="https://thief.example/pay"><b>https://brindle</b>.example/pay</a> or '
            .'<a href="https://b.example">b.example</a></p>'
    );
    $html = MessageHtml::of($conversation->messages()->sole(), false)->written();
    expect($html)->toContain('</a><span class="link-elsewhere"> (leads to thief.example)</span>')
        ->and(substr_count($html, 'link-elsewhere'))->toBe(1);
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")->assertSee('(leads to thief.example)');
});
