<?php

declare(strict_types=1);

use App\Channels\Account;
use App\Channels\Channel;
use App\Channels\Services\CatchUp;
use App\Channels\Services\EventTrace;
use App\Conversations\Message;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use Tests\App\Services;

function answersWith(array ...$pages): void
{
    $sequence = Http::sequence();
    foreach ($pages as $page) {
        $sequence->push($page['body'] ?? $page, $page['status'] ?? 200, $page['headers'] ?? []);
    }
    Http::fake(['*' => $sequence]);
}

function catchUp(Channel $channel): Account
{
    $account = Services::account($channel);
    CatchUp::dispatchSync($account->id);

    return $account->refresh();
}

it('reads page after page from where it stopped, and takes each item once', function (): void {
    $first = Services::post('@brindlekites one', ['author' => '@one']);
    answersWith(
        ['events' => [$first, Services::post('@brindlekites two', ['author' => '@two'])], 'next' => '2', 'more' => true],
        ['events' => [$first, Services::post('@brindlekites three', ['author' => '@three'])], 'next' => '4', 'more' => false],
    );
    $account = catchUp(Channel::Pennon);
    expect(Message::query()->count())->toBe(3)->and($account->cursor)->toBe('4')->and($account->last_heard_at)->not->toBeNull();
    Http::assertSent(
        fn (Request $request): bool => str_contains($request->url(), 'after=2') && $request->hasHeader(
            'Authorization', 'Bearer '.$account->secrets['api_key']
        )
    );
});

it('stays where it is when the service fails, says so, and leaves it alone for as long as it asks', function (): void {
    answersWith(
        ['body' => ['error' => 'broken'], 'status' => 500],
        ['body' => ['error' => 'busy'], 'status' => 429, 'headers' => ['Retry-After' => '2']],
        ['events' => [Services::post('@brindlekites late')], 'next' => '9', 'more' => false],
    );
    expect(catchUp(Channel::Pennon)->last_error)->toContain('500')
        ->and(catchUp(Channel::Pennon)->last_error)->toContain('2 seconds')
        ->and(catchUp(Channel::Pennon)->cursor)->toBeNull();
    Http::assertSentCount(2);
    $this->travel(3)->seconds();
    $account = catchUp(Channel::Pennon);
    expect($account->cursor)->toBe('9')->and($account->last_error)->toBeNull()->and(Message::query()->count())->toBe(1);
});

it('goes on past an event that it cannot read, and leaves a trace', function (): void {
    answersWith([
        'events' => [['type' => 'odd'], 'not even an object', Services::post('@brindlekites after it')], 'next' => '3',
        'more' => false,
    ]);
    expect(catchUp(Channel::Pennon)->cursor)->toBe('3')
        ->and(Message::query()->count())->toBe(1)
        ->and(EventTrace::query()->count())->toBe(2);
});

it('refuses what is not JSON', function (): void {
    Http::fake(['*' => Http::response('<html>')]);
    expect(catchUp(Channel::Pennon)->last_error)->toContain('not JSON');
});
