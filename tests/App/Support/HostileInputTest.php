<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Symfony\Component\Finder\Finder;
use Tests\App\Routes;
use Tests\Fixtures\OneOfEach;

/*
 * Whatever stands in an address, a form or the store: no page fails for it, and none shows it as anything but text.
 */

beforeEach(fn () => Http::fake(['*' => Http::response([], 404)]));

/**
 * The routes in parts, so that they are tried side by side.
 *
 * @return Generator<string, array{list<string>}>
 */
function routesInParts(string $pattern): Generator
{
    $routes = array_merge(...array_values(require __DIR__.'/../Team/route-matrix.php'));
    foreach (array_chunk(array_values(preg_grep($pattern, $routes) ?: []), 25) as $number => $some) {
        yield "part {$number}" => [$some];
    }
}

/**
 * Every name that the code reads something by which is sent, each with something that no form would send.
 *
 * @return list<array<string, mixed>>
 */
function oddForms(): array
{
    $names = [];
    foreach (Finder::create()->files()->in(app_path())->name('*.php')->contains('/Request/') as $file) {
        // Whatever stands in quotes in a file that reads what was sent.
        preg_match_all("/'([a-z_]{1,30})(?:\\.[*a-z_.]+)?'/", $file->getContents(), $found);
        array_push($names, ...$found[1]);
    }
    $names = array_values(array_unique($names));
    assert(count($names) > 150 && in_array('find', $names, true));

    return [
        array_fill_keys($names, ['x' => ['y' => 'z']]),
        array_fill_keys($names, [[['deep']], null, 1.5]),
        array_fill_keys($names, str_repeat('9', 40)),
        array_fill_keys($names, "bad \xC3\x28 bytes \0 {{ a.b }}"),
    ];
}

it('says that what an address names is not there, whatever it names', function (array $routes): void {
    $one = OneOfEach::make();
    $failed = [];
    foreach ($routes as $route) {
        [$method, $uri] = explode(' ', $route);
        preg_match_all('/\{(\w+)\??\}/', $uri, $parameters);
        foreach ($parameters[1] as $name) {
            foreach (['99999999999999999999', "a'b%00", str_repeat('a', 300)] as $odd) {
                $status = Routes::ask($this, $method, Routes::address($route, [...$one, $name => $odd]), 'corin')->getStatusCode();
                $status < 500 || $failed[] = "{$route} with {$name} {$odd}: {$status}";
            }
        }
    }
    expect($failed)->toBe([]);
})->with(fn () => routesInParts('/\{/'));

it('refuses a form that no page would send, and fails for none', function (array $routes): void {
    $one = OneOfEach::make();
    $failed = [];
    foreach ($routes as $route) {
        foreach ([[], ...oddForms()] as $number => $form) {
            $response = Routes::ask($this, explode(' ', $route)[0], Routes::address($route, $one), 'corin', $form);
            $response->getStatusCode() < 500 || $failed[] = "{$route} with form {$number}: ".(
                $response->exception?->getMessage() ?? $response->getStatusCode()
            );
        }
    }
    expect($failed)->toBe([]);
})->with(fn () => routesInParts('/^(POST|PUT|DELETE) /'));

it('opens every page, whatever stands behind the question mark', function (array $routes): void {
    $one = OneOfEach::make();
    $failed = [];
    foreach ($routes as $route) {
        foreach ([oddForms()[0], oddForms()[3]] as $number => $query) {
            $response = Routes::ask($this, 'GET', Routes::address($route, $one), 'corin', $query);
            $response->getStatusCode() < 500 || $failed[] = "{$route} with query {$number}: ".(
                $response->exception?->getMessage() ?? $response->getStatusCode()
            );
        }
    }
    expect($failed)->toBe([]);
})->with(fn () => routesInParts('/^GET /'));

it('shows what stands in the store as text, on every page', function (array $routes): void {
    $one = OneOfEach::make();
    $planted = '"\'><script>planted(1)</script>';
    $texts = [
        'conversations' => [
            'subject', 'preview', 'held_reason',
        ], 'customers' => ['name'], 'messages' => ['text', 'subject', 'from_name'], 'notes' => ['text'],
        'tags' => ['name'], 'categories' => [
            'name', 'customer_name', 'path',
        ], 'outcomes' => ['name'], 'teams' => ['name'], 'teammates' => ['name', 'signature'],
        'templates' => ['name', 'folder'], 'template_languages' => ['text', 'subject'], 'template_files' => ['name'],
        'attachments' => ['name'], 'rules' => ['name', 'notes'],
        'nudge_plans' => ['name'], 'checklists' => ['name'], 'started_checklists' => ['name'], 'tasks' => ['title'],
        'saved_views' => ['name'], 'customer_groups' => ['name'],
        'own_fields' => ['name'], 'hooks' => ['name'], 'orders' => [
            'buyer_name', 'address', 'shipping_title',
        ], 'order_lines' => ['title', 'sku'],
        'bulk_changes' => ['label', 'text'], 'approvals' => ['question'], 'unreadable_mail' => ['reason'],
        'event_traces' => ['reason'], 'channel_items' => ['text', 'author_name'],
        'accounts' => ['sender_name'], 'history_imports' => ['name', 'problem'], 'blocked_senders' => ['value'],
        'drafts' => ['text'], 'customer_notes' => ['text'],
    ];
    foreach ($texts as $table => $columns) {
        foreach ($columns as $column) {
            foreach (
                DB::getSchemaBuilder()->hasColumn($table, $column) ? DB::table($table)->get()->values()->all() : [] as $index => $row
            ) {
                $key = isset($row->id) ? ['id' => $row->id] : ['template_id' => $row->template_id, 'language' => $row->language];
                // Where a name must be its own.
                DB::table($table)->where($key)->update([$column => $planted.($index === 0 ? '' : $index)]);
            }
        }
    }
    $wrong = [];
    foreach ($routes as $route) {
        $response = Routes::ask($this, 'GET', Routes::address($route, $one), 'corin');
        $html = str_contains((string) $response->headers->get('Content-Type'), 'text/html') ? (string) $response->getContent() : '';
        $status = $response->getStatusCode();
        if ($status >= 500 || str_contains($html, '<script>planted')) {
            $wrong[] = "{$route}: {$status} ".($response->exception?->getMessage() ?? '');
        }
    }
    expect($wrong)->toBe([]);
})->with(fn () => routesInParts('/^GET /'));
