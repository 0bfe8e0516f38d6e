<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\DetectsLostConnections;
use Illuminate\Http\Request;
use Illuminate\Support\Arr;
use PDOException;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/**
 * What is answered while the database is away: what was typed stands in the page, and is sent again with one press. Forms that
 * send something carry a key, so that it happens once even where it had happened.
 */
final class WithoutDatabase
{
    use DetectsLostConnections;

    /** Seconds after which it is worth another try. */
    private const PAUSE = 10;

    /** What is not shown again, and typed anew. */
    private const SECRET = '/password|secret|api_key/i';

    public static function render(Throwable $fault, Request $request): ?Response
    {
        if (! (new self)->isAway($fault)) {
            return null;
        }
        $headers = ['Retry-After' => (string) self::PAUSE, 'Cache-Control' => 'no-store'];
        if ($request->expectsJson() || $request->isJson()) {
            return response()->json(['error' => ['code' => 'database_away', 'message' => 'Try again in a few seconds.']], 503, $headers);
        }

        return response()->view('errors.without-database', [
            'typed' => $request->isMethodSafe() ? null : self::typed($request), 'action' => '/'.ltrim($request->getRequestUri(), '/'),
            'hadFiles' => $request->allFiles() !== [], 'pause' => self::PAUSE,
        ], 503, $headers);
    }

    private function isAway(?Throwable $fault): bool
    {
        for (; $fault !== null; $fault = $fault->getPrevious()) {
            if ($fault instanceof PDOException && $this->causedByLostConnection($fault)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @return array<string, string> by the names of the form
     */
    private static function typed(Request $request): array
    {
        $typed = [];
        foreach (Arr::dot($request->request->all()) as $path => $value) {
            [$first, $rest] = [...explode('.', (string) $path, 2), null];
            $name = $first.($rest === null ? '' : '['.str_replace('.', '][', $rest).']');
            if (is_scalar($value) && preg_match(self::SECRET, $name) !== 1) {
                $typed[$name] = (string) $value;
            }
        }

        return $typed;
    }
}
