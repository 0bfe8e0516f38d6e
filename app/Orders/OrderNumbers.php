<?php

declare(strict_types=1);

namespace App\Orders;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Support\ShortLivedCache;
use Cairnfield\Core\Text\NumberMask;
use Cairnfield\Core\Text\TextRefused;

/**
 * Finds numbers in a text that are written as one of the connected sources writes its order numbers.
 */
final class OrderNumbers
{
    private const MOST = 10;

    /** @var ShortLivedCache<list<NumberMask>> */
    private readonly ShortLivedCache $masks;

    public function __construct()
    {
        $this->masks = new ShortLivedCache($this->read(...));
    }

    /**
     * @return list<string> as the source writes them
     */
    public function in(string $text): array
    {
        if (preg_match('/\d/', $text) !== 1) {
            return [];
        }
        $found = [];
        foreach ($this->masks->get() as $mask) {
            array_push($found, ...$mask->find($text));
        }

        return array_slice(array_values(array_unique($found)), 0, self::MOST);
    }

    /**
     * What somebody may mean who wrote a number by itself, as in a field for it: as it is, and as each source would write it.
     *
     * @return list<string> keys
     */
    public function keysOf(string $written): array
    {
        $keys = [self::key($written)];
        foreach ($this->masks->get() as $mask) {
            $completed = $mask->completed($written);
            $completed === null ?: $keys[] = self::key($completed);
        }

        return array_values(array_unique(array_filter($keys, static fn (string $key): bool => $key !== '')));
    }

    /**
     * Letters and digits only, in capitals: what a number is looked up by.
     */
    public static function key(string $number): string
    {
        return mb_strtoupper((string) preg_replace('/[^A-Za-z0-9]/', '', $number));
    }

    /**
     * @return list<NumberMask>
     */
    private function read(): array
    {
        $masks = [];
        foreach (Account::query()->where('state', '!=', AccountState::Disconnected)->get(['id', 'settings']) as $account) {
            try {
                array_push($masks, ...NumberMask::listOf((string) ($account->settings['number_patterns'] ?? '')));
            } catch (TextRefused) {
                // Refused when it was set; one that slipped in otherwise finds nothing.
            }
        }

        return $masks;
    }
}
