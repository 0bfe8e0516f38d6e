<?php

declare(strict_types=1);

namespace App\Channels;

use Cairnfield\Core\Text\NumberMask;
use Cairnfield\Core\Text\TextRefused;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/**
 * What an account of each channel needs, as its form asks for it.
 */
final class AccountForm
{
    private const SECRETS = ['imap_password', 'smtp_password', 'api_key'];

    /**
     * Checks what was written and puts it into the account, which is not stored yet. Secrets are
     * never shown again, so an empty field means: as it was.
     */
    public function fill(Request $request, Account $account): void
    {
        $channel = $account->channel;
        $ofChannel = $this->settings($account);
        $values = $request->validate([...$this->common($account), ...$ofChannel], [
            'address.unique' => 'This account is connected already.',
            'api_key.required' => 'Put in the key that the service gave you.',
        ]);
        $settings = array_intersect_key($values, $ofChannel);
        $secrets = array_filter(array_intersect_key($settings, array_flip(self::SECRETS)));
        $settings = array_diff_key($settings, array_flip([...self::SECRETS, 'mentions', 'words', 'join_hours']));
        $account->fill([
            'address' => $values['address'],
            'sender_name' => $values['sender_name'] ?? (string) config('cairnfield.store.name'),
            'signature' => $values['signature'] ?? null,
            'team_id' => $values['team_id'] ?? null,
            'settings' => array_filter($settings, static fn (mixed $value): bool => $value !== null),
            'secrets' => [...$account->secrets, ...$secrets],
            'arrivals' => $channel->isNetwork() ? [
                'mentions' => $values['mentions'],
                'words' => $this->words((string) ($values['words'] ?? '')),
                'join_hours' => (int) $values['join_hours'],
            ] : $account->arrivals,
        ]);
    }

    /**
     * @return array<string, mixed>
     */
    private function common(Account $account): array
    {
        $unique = Rule::unique('accounts', 'address')->where('channel', $account->channel->value)->ignore($account->id);
        $address = match ($account->channel) {
            Channel::Email => ['email:rfc', 'max:254'],
            Channel::WebForm => ['regex:/^[a-z0-9-]{1,60}$/'],
            default => ['string', 'max:120'],
        };

        return [
            'address' => ['required', ...$address, $unique],
            'sender_name' => [$account->channel->bringsMessages() ? 'required' : 'nullable', 'string', 'max:120'],
            'signature' => ['nullable', 'string', 'max:2000'],
            'team_id' => ['nullable', 'exists:teams,id'],
        ];
    }

    /**
     * @return array<string, mixed>
     */
    private function settings(Account $account): array
    {
        $host = ['required', 'string', 'max:253', 'regex:/^[A-Za-z0-9.:-]+$/'];
        $port = ['required', 'integer', 'between:1,65535'];
        $security = ['required', Rule::in(['tls', 'starttls', 'none'])];

        return match (true) {
            $account->channel === Channel::Email => [
                'imap_host' => $host, 'imap_port' => $port, 'imap_security' => $security,
                'imap_user' => ['required', 'string', 'max:254'], 'imap_password' => ['nullable', 'string', 'max:1000'],
                'smtp_host' => $host, 'smtp_port' => $port, 'smtp_security' => $security,
                'smtp_user' => ['nullable', 'string', 'max:254'], 'smtp_password' => ['nullable', 'string', 'max:1000'],
            ],
            $account->channel === Channel::WebForm => [
                'title' => ['required', 'string', 'max:120'],
                'introduction' => ['nullable', 'string', 'max:2000'],
                'fields' => ['nullable', 'string', 'max:2000'],
                'frame_origins' => ['nullable', 'string', 'max:1000', $this->origins()],
                'answers_by' => ['nullable', Rule::exists('accounts', 'id')->where('channel', Channel::Email->value)],
                'receipt' => ['nullable', 'boolean'],
            ],
            $account->channel === Channel::Telephone => [
                'answers_by' => ['nullable', Rule::exists('accounts', 'id')->where('channel', Channel::Email->value)],
            ],
            default => [
                'base_url' => ['required', 'url:http,https', 'max:300'],
                'api_key' => [$account->exists ? 'nullable' : 'required', 'string', 'max:1000'],
                ...($account->channel->isNetwork() ? [
                    'mentions' => ['required', Rule::in([Arrivals::ALL, Arrivals::WITH_WORDS, Arrivals::NONE])],
                    'words' => ['nullable', 'string', 'max:2000'],
                    'join_hours' => ['required', 'integer', 'between:0,720'],
                ] : ['number_patterns' => ['nullable', 'string', 'max:500', $this->masks()]]),
            ],
        };
    }

    /**
     * @return list<string>
     */
    private function words(string $written): array
    {
        return array_values(
            array_unique(
                array_filter(array_map(trim(...), preg_split('/[,\n]+/', $written) ?: []), static fn (string $word): bool => $word !== '')
            )
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

    private function origins(): Closure
    {
        return static function (string $attribute, mixed $value, Closure $fail): void {
            foreach (preg_split('/\s+/', (string) $value, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $origin) {
                if (preg_match('#^https?://[a-z0-9.-]+(:\d+)?$#Di', $origin) !== 1) {
                    $fail("“{$origin}” is not the address of a site. Write it like https://shop.example, without what comes after.");
                }
            }
        };
    }
}
