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

    /** Under which a request carries the word that styles of this response are known by. */
    public const STYLE_NONCE = 'style-nonce';

    /** A response that may show pictures from elsewhere says so with this header, which is taken off again. */
    public const ALLOW_REMOTE_PICTURES = 'X-Allow-Remote-Pictures';

    /** A response that pages of other sites may frame names them with this header, which is taken off again. */
    public const ALLOW_FRAMES = 'X-Allow-Frames';

    /**
     * @param  Closure(Request): Response  $next
     */
    public function handle(Request $request, Closure $next): Response
    {
        // For the few rules that the editor of rich text brings along.
        $nonce = base64_encode(random_bytes(12));
        $request->attributes->set(self::STYLE_NONCE, $nonce);
        $response = $next($request);
        $policy = str_replace("style-src 'self'", "style-src 'self' 'nonce-{$nonce}'", self::POLICY);
        $pictures = $response->headers->has(self::ALLOW_REMOTE_PICTURES) ? ' https: http:' : '';
        $response->headers->remove(self::ALLOW_REMOTE_PICTURES);
        $frames = (string) $response->headers->get(self::ALLOW_FRAMES);
        $response->headers->remove(self::ALLOW_FRAMES);
        $headers = [
            'Content-Security-Policy' => (
                $frames === '' ? $policy : str_replace("frame-ancestors 'none'", "frame-ancestors {$frames}", $policy)
            ).$pictures,
            'X-Content-Type-Options' => 'nosniff',
            'X-Frame-Options' => 'DENY',
            'Referrer-Policy' => 'same-origin',
            'Permissions-Policy' => 'camera=(), microphone=(), geolocation=(), payment=()',
            'Cross-Origin-Opener-Policy' => 'same-origin',
        ];
        if (str_starts_with((string) config('app.url'), 'https://')) {
            $headers['Strict-Transport-Security'] = 'max-age=31536000';
        }
        if ($frames !== '') {
            unset($headers['X-Frame-Options'], $headers['Cross-Origin-Opener-Policy']);
        }
        foreach ($headers as $name => $value) {
            if (! $response->headers->has($name)) {
                $response->headers->set($name, $value);
            }
        }

        return $response;
    }
}
