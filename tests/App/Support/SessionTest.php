<?php

declare(strict_types=1);

use App\Answering\Draft;
use Tests\App\Mails;

/*
 * What a page does in the background, between a form and the page that says what became of it.
 */

it('still says what was done where something was asked for or kept in between', function (
    array $headers, string $method, string $address
): void {
    $conversation = Mails::conversation();
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}");
    $this->post("/conversations/{$conversation->id}/take")->assertSessionHas('done', 'It is yours.');
    $this->call(
        $method, str_replace('{id}', (string) $conversation->id, $address),
        ['text' => 'Hel', 'once' => '0b0e1c3e-53f1-4f0a-9a53-0d4c2f7a5a11'], [], [], $headers
    )->assertSuccessful();
    $this->get("/conversations/{$conversation->id}")->assertSee('It is yours.');
    // Once said, it is not said again.
    $this->get("/conversations/{$conversation->id}")->assertDontSee('It is yours.');
})->with([
    'how much news there is' => [['HTTP_HX-Request' => 'true'], 'GET', '/news/count?shown=0'],
    'what changed here' => [['HTTP_HX-Request' => 'true'], 'GET', '/conversations/{id}/changes?mark=x'],
    'a draft' => [['HTTP_HX-Request' => 'true'], 'POST', '/conversations/{id}/drafts/reply'],
    'a draft, as the page is left' => [['HTTP_SEC-FETCH-MODE' => 'no-cors'], 'POST', '/conversations/{id}/drafts/reply'],
    'that one has left' => [['HTTP_SEC-FETCH-MODE' => 'no-cors'], 'POST', '/conversations/{id}/left'],
]);

it('gives a refused form back as it was filled where something was asked for in between', function (): void {
    $this->actingAs($this->teammate('mads'))->get('/sorting/tags');
    $this->post('/sorting/tags', ['name' => str_repeat('long ', 40)], ['Referer' => url('/sorting/tags')])->assertSessionHasErrors();
    $this->get('/news/count?shown=0', ['HX-Request' => 'true'])->assertSuccessful();
    $this->get('/sorting/tags')->assertSee('role="alert"', false);
});

it('keeps what is done in the background all the same, and where one was before', function (): void {
    $conversation = Mails::conversation();
    $ilse = $this->teammate('ilse');
    $this->actingAs($ilse)->get('/queue/held');
    $this->post(
        "/conversations/{$conversation->id}/drafts/reply", ['text' => 'Hello', 'once' => '0b0e1c3e-53f1-4f0a-9a53-0d4c2f7a5a12'],
        ['HX-Request' => 'true']
    )->assertSuccessful();
    expect(Draft::for($conversation, $ilse, Draft::REPLY)->sole()->text)->toBe('Hello')
        ->and(session()->previousUrl())->toEndWith('/queue/held');
});
