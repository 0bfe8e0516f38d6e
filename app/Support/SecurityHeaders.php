<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Headers that keep a browser from doing what the application never asks for. Scripts and styles
 * come from our own files only; nothing inline runs.
 */
final class SecurityHeaders
{
    private const POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; connect-src 'self'; "
        ."form-action 'self'; base-uri 'none'; frame-ancestors 'none'; manifest-src 'self'; img-src 'self' data:";

    /** A response that may show pictures from elsewhere says so with this header, which is taken off again. */
    public const ALLOW_REMOTE_PICTURES = 'X-Allow-Remote-Pictures';

    /**
     * @param  Closure(Request): Response  $next
     */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $pictures = $response->headers->has(self::ALLOW_REMOTE_PICTURES) ? ' https: http:' : '';
        $response->headers->remove(self::ALLOW_REMOTE_PICTURES);
        $headers = [
            'Content-Security-Policy' => self::POLICY.$pictures,
            'X-Content-Type-Options' => 'nosniff',
            'X-Frame-Options' => 'DENY',
            'Referrer-Policy' => 'same-origin',
            'Permissions-Policy' => 'camera=(), microphone=(), geolocation=(), payment=()',
            'Cross-Origin-Opener-Policy' => 'same-origin',
        ];
        foreach ($headers as $name => $value) {
            if (! $response->headers->has($name)) {
                $response->headers->set($name, $value);
            }
        }

        return $response;
    }
}
