<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Routing\Route as RegisteredRoute;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use LogicException;

/**
 * Every route there is, from the route list, and asking for one: each time as if it were the first.
 */
final class Routes
{
    /**
     * @return list<string> each as `METHOD uri`
     */
    public static function all(): array
    {
        $found = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            assert($route instanceof RegisteredRoute);
            $methods = array_diff($route->methods(), ['HEAD']);
            foreach (count($methods) > 2 ? ['GET'] : $methods as $method) {
                $found[] = "{$method} {$route->uri()}";
            }
        }
        sort($found);

        return $found;
    }

    /**
     * @param  array<string, int|string>  $one  of each that an address can name
     */
    public static function address(string $route, array $one): string
    {
        [, $uri] = explode(' ', $route);
        // Some addresses name a view by a word, or mean an answer by its message.
        $named = [
            ...$one,
            ...(preg_match('/call-back|send-again/', $uri) === 1 ? ['message' => $one['answer']] : []),
            ...(str_starts_with($uri, 'queue/') ? ['view' => $uri === 'queue/{view?}' ? 'my-turn' : $one['view']] : []),
        ];

        return '/'.preg_replace_callback(
            '/\{(\w+)\??\}/',
            static fn (array $name): string => (string) ($named[$name[1]] ?? throw new LogicException("OneOfEach has no {$name[1]}.")),
            $uri,
        );
    }

    /**
     * Asked and undone again.
     *
     * @param  array<string, mixed>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    public static function ask(AppTestCase $test, string $method, string $address, ?string $as, array $with = []): TestResponse
    {
        Auth::forgetGuards();
        $as === null || $test->actingAs($test->teammate($as));
        DB::beginTransaction();
        try {
            return $test->call($method, $address, $with);
        } finally {
            DB::rollBack();
            $test->flushSession();
        }
    }
}
