<?php

declare(strict_types=1);

use App\Conversations\Conversation;
use App\Conversations\MessageHtml;
use Tests\App\Mails;

function htmlMail(string $html): Conversation
{
    return Mails::conversation(['Content-Type' => 'text/html; charset=utf-8'], $html);
}

it('shows nothing that runs or reaches out', function (string $html, array $gone): void {
    $conversation = htmlMail('<p>kite</p>'.$html);
    $page = (string) $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")->assertOk()->getContent();
    expect($page)->toContain('kite');
    $shown = MessageHtml::of($conversation->messages()->with('attachments')->sole(), false)->written();
    foreach ($gone as $part) {
        expect($shown)->not->toContain($part);
    }
})->with([
    'a script' => ['<script>alert(1)</script>', ['script', 'alert']],
    'a handler' => ['<img src="https://x.example/a.png" onerror="alert(1)">', ['onerror', 'alert']],
    'a script address' => ['<a href="javascript:alert(1)">x</a>', ['javascript']],
    'a style that reaches out' => [
        '<p style="background:url(https://x.example/a)">x</p><style>p{color:red}</style>', ['style', 'url(', 'color'],
    ],
    'a form' => ['<form action="https://x.example"><input name="password"><button>Go</button></form>', ['<form', '<input', '<button']],
    'a frame' => ['<iframe src="https://x.example"></iframe>', ['iframe']],
    'a drawing' => ['<svg><script>alert(1)</script></svg>', ['svg', 'alert']],
    'a remote picture' => ['<img src="https://x.example/track.png" alt="logo">', ['x.example']],
    'a data picture' => ['<img src="data:text/html,hi">', ['data:']],
    'classes and ids of ours' => ['<p class="topbar" id="trail">x</p>', ['topbar', 'trail']],
    'an htmx attribute' => ['<p hx-get="/sign-out" data-key="n">x</p>', ['hx-get', 'data-key']],
]);

it('fetches remote pictures only when asked, and lets the page do so only then', function (): void {
    $conversation = htmlMail('<p>look</p><img src="https://x.example/a.png">');
    $message = $conversation->messages()->sole();
    $this->actingAs($this->teammate('ilse'));
    $without = $this->get("/conversations/{$conversation->id}")
        ->assertSee('One picture from elsewhere is not shown')
        ->assertDontSee('x.example/a.png');
    expect($without->headers->get('Content-Security-Policy'))->not->toContain('https:');
    $with = $this->get("/conversations/{$conversation->id}?pictures={$message->id}")->assertSee('x.example/a.png');
    expect($with->headers->get('Content-Security-Policy'))->toContain('img-src \'self\' data: https: http:')
        ->and($with->headers->has('X-Allow-Remote-Pictures'))->toBeFalse();
});

it('shows an inline picture from our own store', function (): void {
    $png = (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==');
    $body = "--B\r\nContent-Type: text/html\r\n\r\n<p>see <img src=\"cid:pic@1\"></p>\r\n--B\r\nContent-Type: "
        ."image/png\r\nContent-ID: <pic@1>\r\nContent-Transfer-Encoding: base64\r\n\r\n"
        .base64_encode($png)
        ."\r\n--B--";
    $conversation = Mails::conversation(['MIME-Version' => '1.0', 'Content-Type' => 'multipart/related; boundary=B'], $body);
    $attachment = $conversation->messages()->with('attachments')->sole()->attachments->sole();
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")->assertSee("/attachments/{$attachment->id}", false);
    $this->get("/attachments/{$attachment->id}")->assertOk()->assertHeader('Content-Type', 'image/png');
});

it('never lets a file from outside run in the browser', function (string $name, string $type, string $content): void {
    $body = "--B\r\nContent-Type: {$type}\r\nContent-Disposition: attachment; filename=\"{$name}\"\r\n\r\n{$content}\r\n--B--";
    $conversation = Mails::conversation(['MIME-Version' => '1.0', 'Content-Type' => 'multipart/mixed; boundary=B'], $body);
    $attachment = $conversation->messages()->with('attachments')->sole()->attachments->sole();
    $response = $this->actingAs($this->teammate('ilse'))->get("/attachments/{$attachment->id}")->assertOk();
    expect($response->headers->get('Content-Type'))->toBe('application/octet-stream')
        ->and($response->headers->get('Content-Disposition'))->toStartWith('attachment')
        ->and($response->headers->get('X-Content-Type-Options'))->toBe('nosniff')
        ->and($response->headers->get('Content-Security-Policy'))->toContain('sandbox');
})->with([
    ['page.html', 'text/html', '<script>alert(1)</script>'],
    ['drawing.svg', 'image/svg+xml', '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'],
    ['picture.png', 'image/png', '<html><script>alert(1)</script></html>'],
    ['shell.php', 'image/jpeg', '<?php echo 1;'],
]);

it('folds the quoted text of HTML away and keeps it', function (): void {
    $conversation = htmlMail('<p>It says K.</p><p>On Monday, Brindle wrote:</p><blockquote><p>Which letter?</p></blockquote>');
    $html = MessageHtml::of($conversation->messages()->with('attachments')->sole(), false);
    expect($html->written())->toContain('It says K.')->not->toContain('Which letter')
        ->and($html->quoted())->toContain('On Monday, Brindle wrote:')->toContain('Which letter?');
});

it('leaves answers between quotes where they are', function (): void {
    $conversation = htmlMail('<blockquote>Colour?</blockquote><p>Teal.</p><blockquote>Size?</blockquote><p>Big.</p>');
    expect(MessageHtml::of($conversation->messages()->with('attachments')->sole(), false)->quoted())->toBe('');
});
