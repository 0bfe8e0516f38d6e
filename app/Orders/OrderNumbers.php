<?php

declare(strict_types=1);

namespace App\Orders;

use App\Channels\Account;
use App\Channels\AccountState;
use Cairnfield\Core\Text\NumberMask;
use Cairnfield\Core\Text\TextRefused;

/**
 * Finds numbers in a text that are written as one of the connected sources writes its order numbers.
 */
final class OrderNumbers
{
    private const SECONDS = 5;

    private const MOST = 10;

    /** @var list<NumberMask>|null */
    private ?array $masks = null;

    private int $readAt = 0;

    /**
     * @return list<string> as the source writes them
     */
    public function in(string $text): array
    {
        if (preg_match('/\d/', $text) !== 1) {
            return [];
        }
        $found = [];
        foreach ($this->masks() as $mask) {
            array_push($found, ...$mask->find($text));
        }

        return array_slice(array_values(array_unique($found)), 0, self::MOST);
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
    private function masks(): array
    {
        if ($this->masks === null || time() - $this->readAt >= self::SECONDS) {
            $this->masks = [];
            foreach (Account::query()->where('state', '!=', AccountState::Disconnected)->get(['id', 'settings']) as $account) {
                foreach (preg_split('/[,\n]+/', (string) ($account->settings['number_patterns'] ?? ''), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $mask) {
                    try {
                        $this->masks[] = NumberMask::of($mask);
                    } catch (TextRefused) {
                        // Refused when it was set; one that slipped in otherwise finds nothing.
                    }
                }
            }
            $this->readAt = time();
        }

        return $this->masks;
    }
}
