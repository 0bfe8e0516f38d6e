<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\Log;

/**
 * What somebody who looks for an attack wants to read later: who signed in or tried to, what was refused, who let whom in. One JSON
 * object a line, so that nothing that was sent can look like a line of its own; never what was typed as a password or a code.
 */
final class SecurityLog
{
    /**
     * @param  string  $event  such as `sign_in.wrong`
     * @param  array<string, string|int|null>  $facts
     */
    public static function note(string $event, array $facts = []): void
    {
        $request = request();
        Log::channel('security')->info($event, [
            ...$facts, 'network' => $request->ip(), 'person' => $facts['person'] ?? $request->user()?->getAuthIdentifier(),
        ]);
    }
}
