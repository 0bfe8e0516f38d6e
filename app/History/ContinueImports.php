<?php

declare(strict_types=1);

namespace App\History;

/**
 * Goes on with imports whose worker was lost.
 */
final class ContinueImports
{
    public function __invoke(): void
    {
        HistoryImport::query()
            ->where('state', HistoryImport::RUNNING)
            ->where(fn ($query) => $query->whereNull('lease_until')->orWhere('lease_until', '<', now()))
            ->where('updated_at', '<', now()->subMinute())
            ->pluck('id')
            ->each(static fn (int $id) => RunImport::dispatch($id));
    }
}
