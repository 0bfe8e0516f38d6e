<?php

declare(strict_types=1);

namespace App\Health;

use App\Channels\Account;
use App\Conversations\OutboxItem;
use App\Support\FileStore;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Whether all that a store relies on works, for a monitor and for `bin/start`.
 */
final readonly class Health
{
    public const OK = 'ok';

    /** Minutes after which an answer that should have left is late. */
    private const LATE = 10;

    public function __construct(private FileStore $files) {}

    /**
     * @return array<string, string> by what was looked at: `ok`, or what is wrong
     */
    public function checks(): array
    {
        try {
            DB::scalar('SELECT 1');
        } catch (Throwable) {
            return ['database' => 'does not answer', 'files' => $this->files()];
        }

        return ['database' => self::OK, 'files' => $this->files(), ...$this->parts(), ...$this->work()];
    }

    private function files(): string
    {
        return $this->files->hasRoom() ? self::OK : 'cannot be written, or has no room left';
    }

    /**
     * @return array<string, string>
     */
    private function parts(): array
    {
        $beats = DB::table('heartbeats')->get()->keyBy('part');
        $parts = [];
        foreach (Part::cases() as $part) {
            $beat = $beats[$part->value] ?? null;
            $parts[$part->value] = match (true) {
                $beat === null => 'was never heard of',
                CarbonImmutable::parse((string) $beat->silent_until, 'UTC')->isPast() => 'silent since '
                    .CarbonImmutable::parse((string) $beat->beat_at, 'UTC')->toIso8601ZuluString(),
                default => self::OK,
            };
        }

        return $parts;
    }

    /**
     * @return array<string, string>
     */
    private function work(): array
    {
        $troubled = Account::troubled()->count();
        $late = OutboxItem::query()
            ->where('state', OutboxItem::DUE)
            ->where('attempts', 0)
            ->where('due_at', '<', now()->subMinutes(self::LATE))
            ->count();

        return [
            'accounts' => $troubled === 0 ? self::OK : "{$troubled} cannot be reached, or cannot be read",
            'answers' => $late === 0 ? self::OK : "{$late} should have left more than ".self::LATE.' minutes ago',
        ];
    }
}
