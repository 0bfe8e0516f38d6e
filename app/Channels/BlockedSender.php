<?php

declare(strict_types=1);

namespace App\Channels;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Str;

/**
 * Somebody, or everybody at a domain, whose messages go to the junk view.
 *
 * @property int $id
 * @property string $kind
 * @property string $value
 * @property int|null $teammate_id
 */
final class BlockedSender extends Model
{
    public const DOMAIN = 'domain';

    protected $fillable = ['kind', 'value', 'teammate_id'];

    public static function blocking(SenderHandle $sender): ?self
    {
        if (! $sender->isKnown()) {
            return null;
        }

        return self::query()
            ->where(fn ($query) => $query->where('kind', $sender->kind)->where('value', $sender->value))
            ->when($sender->kind === 'email', fn ($query) => $query->orWhere(
                fn ($domain) => $domain->where('kind', self::DOMAIN)->where('value', Str::after($sender->value, '@')),
            ))
            ->first();
    }
}
