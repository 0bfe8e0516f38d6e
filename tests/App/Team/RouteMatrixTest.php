<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Http;
use Tests\App\Routes;
use Tests\Fixtures\OneOfEach;

/** Who is let in, by what an entry says; the others are refused. */
const LETS_IN = [
    'everybody' => ['femi', 'ilse', 'mads', 'corin'],
    'answers' => ['ilse', 'mads', 'corin'],
    'arranges' => ['mads', 'corin'],
    'administers' => ['corin'],
    'began it' => ['ilse'],
    'began it, or arranges' => ['ilse', 'mads', 'corin'],
];

it('names for every route who may open it, and no route that is gone', function (): void {
    $entries = array_merge(...array_values(require __DIR__.'/route-matrix.php'));
    sort($entries);
    $routes = Routes::all();
    expect(array_values(array_diff($routes, $entries)))->toBe([], 'Routes without an entry in route-matrix.php')
        ->and(array_values(array_diff($entries, $routes)))->toBe([], 'Entries of route-matrix.php whose route is gone')
        ->and(array_unique($entries))->toHaveCount(count($entries));
});

it('lets in those whom the matrix names, and nobody else', function (string $access, array $routes): void {
    Http::fake(['*' => Http::response([], 404)]);
    $one = OneOfEach::make();
    $wrong = [];
    foreach ($routes as $route) {
        foreach ([null, 'femi', 'ilse', 'mads', 'corin'] as $who) {
            $status = Routes::ask($this, explode(' ', $route)[0], Routes::address($route, $one), $who)->getStatusCode();
            $isLetIn = match (true) {
                // Signed by whoever sends it, which nobody here is.
                $access === 'signed' => in_array($status, [400, 401, 403, 404], true),
                $access === 'anybody' => ! in_array($status, [401, 403], true),
                default => in_array($who, LETS_IN[$access], true) ? ! in_array($status, [401, 403, 404], true) : (
                    $who === null ? $status === 302 : in_array($status, [403, 404], true)
                ),
            };
            if (! $isLetIn || $status >= 500) {
                $wrong[] = "{$route}: ".($who ?? 'signed out')." got {$status}";
            }
        }
    }
    expect($wrong)->toBe([]);
})->with(function (): Generator {
    foreach (require __DIR__.'/route-matrix.php' as $access => $routes) {
        foreach ($access === 'signed out' ? [] : array_chunk($routes, 12) as $number => $some) {
            yield "{$access}, {$number}" => [$access, $some];
        }
    }
});

it('does not tell those who may not open it whether there is such a thing', function (string $access): void {
    Http::fake(['*' => Http::response([], 404)]);
    $one = OneOfEach::make();
    $none = array_map(static fn (int|string $value): int|string => is_int($value) ? 999_999_999 : $value, $one);
    $told = [];
    foreach ((require __DIR__.'/route-matrix.php')[$access] as $route) {
        $method = explode(' ', $route)[0];
        foreach (str_contains($route, '{') ? array_diff(['femi', 'ilse', 'mads', 'corin'], LETS_IN[$access]) : [] as $who) {
            $there = Routes::ask($this, $method, Routes::address($route, $one), $who)->getStatusCode();
            $missing = Routes::ask($this, $method, Routes::address($route, $none), $who)->getStatusCode();
            $there === $missing || $told[] = "{$route}: {$who} got {$there} where it is there, {$missing} where it is not";
        }
    }
    expect($told)->toBe([]);
})->with(['arranges', 'administers', 'began it']);

it('sends those who are signed out to sign in, and those who are signed in away from there', function (): void {
    $this->get('/queue')->assertRedirect('/sign-in');
    $this->get('/sign-in')->assertOk();
    $this->actingAs($this->teammate('ilse'))->get('/sign-in')->assertRedirect('/queue');
    $this->post('/sign-in')->assertRedirect('/queue');
});

it('sends everybody who was deactivated to sign in, whatever they ask for', function (): void {
    $one = OneOfEach::make();
    $this->teammate('corin')->forceFill(['may_sign_in' => false])->save();
    $let = [];
    foreach (require __DIR__.'/route-matrix.php' as $access => $routes) {
        foreach (in_array($access, ['anybody', 'signed', 'signed out'], true) ? [] : $routes as $route) {
            $answer = Routes::ask($this, explode(' ', $route)[0], Routes::address($route, $one), 'corin');
            $answer->isRedirect(url('/sign-in')) ?: $let[] = "{$route}: {$answer->getStatusCode()}";
        }
    }
    expect($let)->toBe([]);
});

it('lets nobody in who was deactivated a minute ago, whatever their role', function (string $name): void {
    $who = $this->teammate($name);
    $this->actingAs($who)->get('/queue/my-turn')->assertOk();
    $who->forceFill(['may_sign_in' => false])->save();
    Auth::forgetGuards();
    $this->post('/sign-in', ['email' => $who->email, 'password' => 'kites-and-cairns'])->assertSessionHasErrors();
})->with(['femi', 'ilse', 'mads', 'corin']);
