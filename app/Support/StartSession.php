<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as FrameworkStartSession;

/**
 * Keeps what a page does in the background out of the session: asking for news, keeping a draft, saying that one has left.
 * Any of these may arrive between the form that was sent and the page that says what became of it. Stored as usual, it
 * would use up what was to be said there, or write over it what it had read before.
 */
final class StartSession extends FrameworkStartSession
{
    /** Of the framework's own in a session, what no request in the background has to change. */
    private const OF_PAGES = ['_previous', '_flash'];

    protected function startSession(Request $request, $session): Session
    {
        $started = parent::startSession($request, $session);
        $request->attributes->set(self::class, self::contents($started));

        return $started;
    }

    protected function storeCurrentUrl(Request $request, $session): void
    {
        if (! self::isInBackground($request)) {
            parent::storeCurrentUrl($request, $session);
        }
    }

    /**
     * @param  Request  $request
     */
    protected function saveSession($request): void
    {
        $session = $request->session();
        $isUnchanged = $session->get('_flash.new', []) === [] && self::contents($session) === $request->attributes->get(self::class);
        if (! self::isInBackground($request) || ! $isUnchanged) {
            parent::saveSession($request);
        }
    }

    /**
     * Whether the page asks by itself, and nobody may be sitting before it.
     */
    public static function asksByItself(Request $request): bool
    {
        return $request->isMethodSafe() && self::isInBackground($request);
    }

    private static function isInBackground(Request $request): bool
    {
        // Browsers say of a beacon, too, that it opens no page.
        return $request->hasHeader('HX-Request')
            || ! in_array($request->header('Sec-Fetch-Mode', 'navigate'), ['navigate', 'nested-navigate'], true);
    }

    /**
     * @return array<string, mixed>
     */
    private static function contents(Session $session): array
    {
        return array_diff_key($session->all(), array_flip(self::OF_PAGES));
    }
}
