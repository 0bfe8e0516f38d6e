<?php

declare(strict_types=1);

namespace App\Health;

use Illuminate\Http\JsonResponse;

/**
 * For a monitor: 200 while everything works, 503 with what does not. Without a session, which would need the database.
 */
final readonly class HealthController
{
    public function __construct(private Health $health) {}

    public function show(): JsonResponse
    {
        $checks = $this->health->checks();
        $works = array_filter($checks, static fn (string $found): bool => $found !== Health::OK) === [];

        return response()->json(['works' => $works, 'checks' => $checks], $works ? 200 : 503, ['Cache-Control' => 'no-store']);
    }
}
