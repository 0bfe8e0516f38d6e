<?php

declare(strict_types=1);

use App\Conversations\Conversation;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Message;
use App\Joining\JoinConversations;
use App\Ratings\Rating;
use App\Ratings\RatingLink;
use App\Templates\FillTemplate;
use App\Templates\RecordTemplateUse;
use App\Templates\SaveTemplate;
use App\Templates\Template;
use App\Templates\TemplateToSave;
use App\Templates\UsedTemplate;
use App\Views\SharedWith;
use Carbon\CarbonImmutable;
use Tests\App\Mails;

function ratingPath(Conversation $conversation): string
{
    return (string) preg_replace('#^https?://[^/]+#', '', RatingLink::of($conversation));
}

beforeEach(function (): void {
    CarbonImmutable::setTestNow('2026-11-23T10:00:00Z');
    $this->conversation = Mails::conversation();
    $this->answer($this->conversation, 'It is on its way.');
});

it('lets a customer say how it went, in their language, without signing in', function (): void {
    $this->conversation->forceFill(['language' => 'da'])->save();
    $this->get(ratingPath($this->conversation))->assertOk()->assertSee('Hvordan klarede vi det?')->assertSee('lang="da"', false);
    $this->post(ratingPath($this->conversation), ['score' => '2', 'comment' => 'Ventede længe.'])->assertOk()->assertSee('Mange tak.');
    $rating = Rating::query()->sole();
    expect($rating->only(['score', 'comment', 'customer_id']))->toBe([
        'score' => 2, 'comment' => 'Ventede længe.', 'customer_id' => $this->conversation->customer_id,
    ])
        ->and($rating->teammate?->is($this->teammate('ilse')))->toBeTrue();
    $this->actingAs($this->teammate('mads'))
        ->get("/conversations/{$this->conversation->id}")
        ->assertSee('The customer gave 2 of 5 stars: “Ventede længe.”');
});

it('takes the last word, and writes nothing twice', function (): void {
    foreach (
        [['score' => '2', 'comment' => ''], ['score' => '2', 'comment' => ''], ['score' => '5', 'comment' => 'It came after all.']] as $said
    ) {
        $this->post(ratingPath($this->conversation), $said)->assertOk();
    }
    expect(Rating::query()->sole()->score)->toBe(5)
        ->and(JournalEntry::query()->where('kind', JournalKind::Rated)->count())->toBe(2);
    $this->get(ratingPath($this->conversation))->assertSee('It came after all.');
});

it('keeps what was written when no stars were chosen', function (string $score): void {
    $this->post(ratingPath($this->conversation), ['score' => $score, 'comment' => 'Everything fine'])
        ->assertStatus(422)
        ->assertSee('Please choose from one to five stars.')
        ->assertSee('Everything fine');
    expect(Rating::query()->count())->toBe(0);
})->with(['', '0', '6', '4.5', 'five']);

it('is for whoever has the signed address alone', function (): void {
    $other = Mails::conversation(['From' => 'Eva <eva@sturm.example>']);
    $this->get("/rate/{$this->conversation->id}")->assertNotFound();
    $this->post(
        str_replace("/rate/{$this->conversation->id}", "/rate/{$other->id}", ratingPath($this->conversation)), ['score' => '1']
    )->assertNotFound();
    expect(Rating::query()->count())->toBe(0);
});

it('takes card numbers out of what customers write', function (): void {
    $this->post(ratingPath($this->conversation), ['score' => '4', 'comment' => 'Refund it to 4111 1111 1111 1111 please'])->assertOk();
    expect(Rating::query()->sole()->comment)->toBe('Refund it to [card …1111] please');
});

it('can be asked for in any template, and found by its stars', function (): void {
    $filled = app(FillTemplate::class)->text('How was it? {{ rating.link }}', 'en', $this->conversation, $this->teammate('ilse'));
    expect($filled->text)->toContain("/rate/{$this->conversation->id}?signature=")->and($filled->gaps)->toBe([]);
    $this->post(ratingPath($this->conversation), ['score' => '1', 'comment' => ''])->assertOk();
    $other = Mails::conversation(['From' => 'Eva <eva@sturm.example>', 'Subject' => 'A fine kite']);
    $this->actingAs($this->teammate('mads'))->post(
        '/views',
        [
            'name' => 'Few stars', 'columns' => ['number'], 'sort' => 'last_message', 'descending' => '1',
            'shared_with' => 'nobody', 'board_by' => 'state',
            'condition' => ['join' => 'all', 'parts' => [['kind' => 'leaf', 'field' => 'rating', 'op' => 'at_most', 'value' => '2']]],
        ]
    );
    expect($other->rating)->toBeNull()->and($this->conversation->rating?->score)->toBe(1);
});

it('speaks for the templates that had been sent by then, and for no later ones', function (): void {
    $mads = $this->teammate('mads');
    $template = fn (string $name): Template => app(SaveTemplate::class)->save(
        null,
        new TemplateToSave(
            $name, '', SharedWith::Everybody, null, ['en' => ['subject' => null, 'text' => 'It is on its way.', 'html' => null]],
            [], []
        ),
        $mads
    );
    [$before, $after] = [$template('Sent before'), $template('Sent after')];
    $use = fn (Template $one) => app(RecordTemplateUse::class)->record(
        $this->conversation, $this->conversation->messages()->where('direction', Message::OUT)->firstOrFail(),
        [new UsedTemplate($one->id, 'en', 'It is on its way.')]
    );
    $use($before);
    $this->travel(1)->hours();
    $this->post(ratingPath($this->conversation), ['score' => '2', 'comment' => ''])->assertOk();
    $this->travel(1)->hours();
    $use($after);
    $this->actingAs($mads)
        ->get('/templates')
        ->assertViewHas(
            'stars', fn (array $stars): bool => array_keys($stars) === [$before->id] && $stars[$before->id]->average() === '2.00'
        );
});

it('goes where the conversation went on', function (): void {
    $other = Mails::conversation(['Subject' => 'Once more']);
    app(JoinConversations::class)->join($this->conversation, [$other], $this->teammate('ilse'));
    $joined = Conversation::query()->whereNotNull('joined_into_id')->sole();
    $this->post(ratingPath($joined), ['score' => '5', 'comment' => ''])->assertOk();
    expect(Rating::query()->sole()->conversation_id)->toBe($joined->joined_into_id);
});
