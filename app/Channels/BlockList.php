<?php

declare(strict_types=1);

namespace App\Channels;

use App\Support\ShortLivedCache;
use Illuminate\Support\Str;

/**
 * Who is blocked.
 */
final class BlockList
{
    /** @var ShortLivedCache<array<string, true>> by kind and value */
    private readonly ShortLivedCache $blocked;

    public function __construct()
    {
        $this->blocked = new ShortLivedCache(static fn (): array => array_fill_keys(
            BlockedSender::query()
                ->get(['kind', 'value'])
                ->map(static fn (BlockedSender $sender): string => "{$sender->kind}:{$sender->value}")
                ->all(),
            true,
        ));
    }

    /**
     * @return string|null what is blocked: the sender, or everybody at their domain
     */
    public function blocking(SenderHandle $sender): ?string
    {
        $blocked = $this->blocked->get();
        $domain = $sender->kind === 'email' ? Str::after($sender->value, '@') : '';

        return match (true) {
            isset($blocked["{$sender->kind}:{$sender->value}"]) => $sender->value,
            isset($blocked[BlockedSender::DOMAIN.":{$domain}"]) => $domain,
            default => null,
        };
    }

    public function readAgain(): void
    {
        $this->blocked->forget();
    }
}
