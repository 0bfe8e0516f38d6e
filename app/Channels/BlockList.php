<?php

declare(strict_types=1);

namespace App\Channels;

use Illuminate\Support\Str;

/**
 * Who is blocked. Read again after a few seconds, so that long-running workers follow.
 */
final class BlockList
{
    private const SECONDS = 5;

    /** @var array<string, true>|null */
    private ?array $blocked = null;

    private int $readAt = 0;

    /**
     * @return string|null what is blocked: the sender, or everybody at their domain
     */
    public function blocking(SenderHandle $sender): ?string
    {
        $blocked = $this->blocked();
        $domain = $sender->kind === 'email' ? Str::after($sender->value, '@') : '';

        return match (true) {
            isset($blocked["{$sender->kind}:{$sender->value}"]) => $sender->value,
            isset($blocked[BlockedSender::DOMAIN.":{$domain}"]) => $domain,
            default => null,
        };
    }

    public function readAgain(): void
    {
        $this->blocked = null;
    }

    /**
     * @return array<string, true>
     */
    private function blocked(): array
    {
        if ($this->blocked === null || time() - $this->readAt >= self::SECONDS) {
            $this->blocked = array_fill_keys(BlockedSender::query()->get(['kind', 'value'])->map(static fn (BlockedSender $sender): string => "{$sender->kind}:{$sender->value}")->all(), true);
            $this->readAt = time();
        }

        return $this->blocked;
    }
}
