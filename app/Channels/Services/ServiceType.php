<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;
use App\Channels\AccountField;
use App\Channels\Arrivals;
use App\Channels\ChannelType;
use Cairnfield\Core\Text\NumberMask;
use Cairnfield\Core\Text\TextRefused;
use Closure;
use Illuminate\Validation\Rule;

/**
 * A channel that is reached over HTTP with a key, and tells us what happens by webhook and by paging.
 */
abstract readonly class ServiceType extends ChannelType
{
    /**
     * Who knows what its events mean, where they are no messages; null where `reader` does.
     *
     * @return class-string<TakesEvents>|null
     */
    public function takesEvents(): ?string
    {
        return null;
    }

    /**
     * Whether it can be asked for an order by its number.
     */
    public function looksUpOrders(): bool
    {
        return false;
    }

    /**
     * Reads its events into what all channels share.
     */
    public function reader(): ?ReadsItems
    {
        return null;
    }

    public function connection(): string
    {
        return ConnectService::class;
    }

    public function fields(Account $account): array
    {
        return ['Getting in' => [
            AccountField::text(
                'base_url', 'Address of the service', ['required', 'url:http,https', 'max:300'], type: 'url',
                placeholder: 'https://api.service.example'
            ),
            AccountField::secret('api_key', 'Key that the service gave you', ['base_url'], ! isset($account->secrets['api_key'])),
        ]];
    }

    /**
     * For a source that knows order numbers.
     */
    final protected function numberPatterns(): AccountField
    {
        return AccountField::text(
            'number_patterns', 'How it writes order numbers', ['nullable', 'string', 'max:500', $this->masks()],
            placeholder: 'B-2####', help: '# is a digit, @ a letter. Several with commas. Orders are found in texts by it.'
        );
    }

    /**
     * For a source where much is said in public that is not for us.
     *
     * @param  string  $what  what is said in public there, in the plural
     * @return array<string, list<AccountField>>
     */
    final protected function arrivals(Account $account, string $what): array
    {
        $arrivals = $account->arrivals();

        return ['What becomes of what arrives' => [
            AccountField::choice(
                'mentions', "{$what} in public", ['required', Rule::in([Arrivals::ALL, Arrivals::WITH_WORDS, Arrivals::NONE])], [
                    Arrivals::ALL => 'all become conversations',
                    Arrivals::WITH_WORDS => 'those with one of these words; the others are only listed',
                    Arrivals::NONE => 'are only listed',
                ], $arrivals->mentions
            ),
            AccountField::lines(
                'words', 'Words, with commas', ['nullable', 'string', 'max:2000'], implode(', ', $arrivals->words),
                help: 'Answers to what we posted, and direct messages, always become conversations.'
            ),
            $this->joinHours($account),
        ]];
    }

    /**
     * For a source that joins by sender.
     */
    final protected function joinHours(Account $account): AccountField
    {
        return AccountField::text(
            'join_hours', 'Hours in which the same person’s messages join one conversation',
            ['required', 'integer', 'between:0,720'], $account->arrivals()->joinHours, 'number'
        );
    }

    private function masks(): Closure
    {
        return static function (string $attribute, mixed $value, Closure $fail): void {
            try {
                NumberMask::listOf((string) $value);
            } catch (TextRefused $why) {
                $fail($why->getMessage());
            }
        };
    }
}
