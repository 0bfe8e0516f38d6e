<?php

declare(strict_types=1);

use App\Channels\BlockedSender;
use App\Channels\Channel;
use App\Conversations\ChannelItem;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Message;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Tests\App\Mails;
use Tests\App\Services;

const CARD = '4111 1111 1111 1111';

it('takes card and account numbers out before anything is stored, and says so', function (): void {
    $conversation = Mails::conversation(
        ['Subject' => 'My card '.CARD, 'Content-Type' => 'multipart/alternative; boundary="b"', 'MIME-Version' => '1.0'],
        "--b\r\nContent-Type: text/plain; charset=utf-8\r\n\r\nTake it from "
            .CARD
            ." or DE89370400440532013000\r\n--b\r\nContent-Type: text/html; charset=utf-8\r\n\r\n<p>Take it from <b>"
            .CARD
            ."</b> or DE89370400440532013000</p>\r\n--b--\r\n",
    );
    $message = $conversation->messages()->sole();
    expect($message->text)->toContain('Take it from [card …1111] or [IBAN …3000]')
        ->and($message->html)->toContain('<b>[card …1111]</b>')
        ->and($conversation->subject)->toBe('My card [card …1111]')
        ->and($message->original)->toBeNull()
        ->and($message->redacted)->toHaveCount(2);
    $this->actingAs($this->teammate('ilse'))->get("/conversations/{$conversation->id}")
        ->assertSee('2 numbers were taken out on arrival')->assertSee('The original is not kept')->assertDontSee(CARD);

    // Nowhere in the database, and in no file.
    foreach (['conversations', 'messages', 'journal', 'drafts', 'customers', 'handles'] as $table) {
        expect(json_encode(DB::table($table)->get()))->not->toContain(CARD)->not->toContain('370400440532013000');
    }
    expect(Storage::disk('files')->allFiles())->toBe([]);
});

it('keeps the original where there was nothing to take out', function (): void {
    expect(Mails::conversation([], 'Order B-20417, call 20 00 01 88')->messages()->sole()->original)->not->toBeNull();
});

it('shows plain text where a number is spread over HTML that cannot be mended', function (): void {
    $conversation = Mails::conversation(
        ['Content-Type' => 'text/html; charset=utf-8', 'MIME-Version' => '1.0'], '<p>4111 <b>1111</b> 1111 1111</p>'
    );
    $message = $conversation->messages()->sole();
    expect($message->html)->toBe('<p>[card …1111]<b></b></p>')->and($message->text)->not->toContain('1111 1111')
        ->and($message->redacted)->toBe([['kind' => 'card', 'last4' => '1111']]);
});

it('takes them out of posts and web forms just as well', function (): void {
    Services::take(Channel::Pennon, Services::post('@brindlekites my card is '.CARD));
    expect(Message::query()->sole()->text)->toBe('@brindlekites my card is [card …1111]')
        ->and(ChannelItem::query()->sole()->text)->not->toContain('4111');
});

it('takes out the team’s own patterns, too', function (): void {
    $this->actingAs($this->teammate('corin'))
        ->post('/arrival/patterns', ['name' => ['personal number'], 'mask' => ['######-####']])->assertSessionHas('done');
    expect(Mails::conversation([], 'I am 010190-1234')->messages()->sole()->text)->toContain('I am [personal number …1234]');
    $this->post('/arrival/patterns', ['name' => ['all'], 'mask' => ['##']])->assertSessionHasErrors('mask.0');
    $this->get('/arrival')->assertSee('######-####')->assertSee('Files are not looked into');
    $this->actingAs($this->teammate('ilse'))->get('/arrival')->assertForbidden();
});

it('tells the language, and keeps it with the customer', function (): void {
    $conversation = Mails::conversation([], 'Hvor er min pakke? Den skulle være kommet i går.');
    expect($conversation->language)->toBe('da')->and($conversation->customer->language)->toBe('da');
    Mails::conversation(['Subject' => 'Something else'], 'Thank you, it came this morning, all is well');
    expect($conversation->customer->refresh()->language)->toBe('da');
});

it('puts junk from strangers apart with its reasons, and leaves known customers alone', function (): void {
    $offer = fn (string $from): Conversation => Mails::conversation(
        ['From' => $from, 'Subject' => 'FIRST PAGE OF GOOGLE NOW'], 'SEO and backlinks, increase your traffic!!!'
    );
    Mails::conversation(['From' => 'known@customer.example', 'Subject' => 'Where is it'], 'Where is my kite?');
    expect($offer('known@customer.example')->junk)->toBeFalse();
    $junk = $offer('growth@offers.example');
    expect($junk->junk)->toBeTrue()->and($junk->state->value)->toBe('resolved')->and($junk->due_at)->toBeNull();
    $this->actingAs($this->teammate('ilse'))
        ->get("/conversations/{$junk->id}")
        ->assertSee('With the junk')
        ->assertSee('its subject is all capitals');
    $this->get('/queue/junk')->assertSee('FIRST PAGE OF GOOGLE NOW');
    $this->get('/queue/resolved')->assertDontSee('growth@offers.example');
});

it('blocks a sender or a domain, by hand and from the settings', function (): void {
    $conversation = Mails::conversation(['From' => 'Prizes <win@lucky.example>', 'Subject' => 'one'], 'Hello there, my friend');
    $this->actingAs($this->teammate('ilse'))
        ->post("/conversations/{$conversation->id}/junk", ['block' => 'domain'])
        ->assertRedirect('/queue');
    expect($conversation->refresh()->junk)->toBeTrue()
        ->and(Mails::conversation(['From' => 'other@lucky.example', 'Subject' => 'two'], 'Hello again')->junk)->toBeTrue();
    $this->post("/conversations/{$conversation->id}/not-junk");
    expect(BlockedSender::query()->count())->toBe(0)
        ->and(Mails::conversation(['From' => 'third@lucky.example', 'Subject' => 'three'], 'Hello again')->junk)->toBeFalse();

    $this->actingAs($this->teammate('corin'))
        ->post('/arrival/blocked', ['kind' => 'email', 'value' => 'Win@Lucky.example'])
        ->assertSessionHas('done');
    expect(Mails::conversation(['From' => 'win@lucky.example', 'Subject' => 'four'], 'Hello')->junk)->toBeTrue();
    $this->delete('/arrival/blocked/'.BlockedSender::query()->sole()->id)->assertSessionHas('done');
});

it('joins conversations about one order, answers them as one, and separates them again', function (): void {
    Illuminate\Support\Facades\Http::fake(['*' => Illuminate\Support\Facades\Http::response([], 404)]);
    Services::take(Channel::Shop, Services::order());
    $mail = Mails::conversation(['From' => 'Ana Wrenfield <ana@wrenfield.example>', 'Subject' => 'Late'], 'Where is 71-4480217?');
    Services::take(Channel::Pennon, Services::post('@brindlekites where is 71-4480217?', ['author_name' => 'Ana Wrenfield']));
    $post = Conversation::query()->where('channel', 'pennon')->sole();
    $this->actingAs($this->teammate('ilse'))
        ->get("/conversations/{$mail->id}")
        ->assertSee('Open elsewhere too')
        ->assertSee($post->number());

    $this->post("/conversations/{$mail->id}/join", ['other' => (string) $post->id])->assertSessionHas('done');
    expect($post->refresh()->joined_into_id)->toBe($mail->id)->and($post->state->value)->toBe('resolved');
    $this->get("/conversations/{$post->id}")->assertRedirect("/conversations/{$mail->id}");
    $this->get("/conversations/{$mail->id}")
        ->assertSee('where is 71-4480217?')
        ->assertSee('joined into this one')
        ->assertDontSee('Open elsewhere too')
        ->assertSee('by direct message to @anawren');
    $this->get('/queue/resolved')->assertDontSee($post->number());

    // What she says there now comes here.
    Services::take(Channel::Pennon, Services::direct('Anybody?'));
    expect(Message::query()->orderByDesc('id')->value('conversation_id'))->toBe($mail->id);
    $this->post("/conversations/{$mail->id}/join", ['other' => (string) $post->id])->assertSessionHas('problem');

    $this->post("/conversations/{$post->id}/separate")->assertSessionHas('done');
    expect($post->refresh()->joined_into_id)->toBeNull()->and($post->state->value)->toBe('open')
        ->and(JournalEntry::query()->where('conversation_id', $post->id)->where('kind', 'separated')->count())->toBe(1);
});

it('stops an answer when the customer wrote in the joined part meanwhile', function (): void {
    $mail = Mails::conversation(['Subject' => 'one']);
    $other = Mails::conversation(['Subject' => 'two', 'Message-ID' => '<two@x.example>']);
    app(App\Joining\JoinConversations::class)->join($mail, [$other], $this->teammate('ilse'));
    $seen = app(App\Workspace\Trail::class)->lastSeen($mail->refresh());
    Mails::take(Mails::raw(['Subject' => 'Re: two', 'In-Reply-To' => '<two@x.example>'], 'Never mind'));
    $this->actingAs($this->teammate('ilse'))
        ->post(
            "/conversations/{$mail->id}/reply",
            ['text' => 'x', 'then' => 'waiting', 'seen' => $seen, 'once' => Illuminate\Support\Str::uuid()->toString()]
        )
        ->assertConflict();
});
