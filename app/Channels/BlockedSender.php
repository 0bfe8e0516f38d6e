<?php

declare(strict_types=1);

namespace App\Channels;

use App\Support\Row;

/**
 * Somebody, or everybody at a domain, whose messages go to the junk view.
 *
 * @property int $id
 * @property string $kind
 * @property string $value
 * @property int|null $teammate_id
 */
final class BlockedSender extends Row
{
    protected $table = 'blocked_senders';

    public const DOMAIN = 'domain';

    protected static function booted(): void
    {
        self::saved(static fn () => app(BlockList::class)->readAgain());
        self::deleted(static fn () => app(BlockList::class)->readAgain());
    }

    protected $fillable = ['kind', 'value', 'teammate_id'];

    /**
     * Whom one can keep out: those who can write without being known.
     *
     * @return array<string, string> labels by kind
     */
    public static function kinds(): array
    {
        $kinds = ['email' => 'Email address', self::DOMAIN => 'Domain'];
        foreach (Channel::those(static fn (ChannelType $type): bool => $type->isOpenToStrangers()) as $channel) {
            $kinds[$channel->handleKind()] ??= $channel->label();
        }

        return $kinds;
    }
}
