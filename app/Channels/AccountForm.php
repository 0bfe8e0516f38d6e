<?php

declare(strict_types=1);

namespace App\Channels;

use App\Store\Store;
use App\Support\HostOnForm;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/**
 * Takes what was written on the form of an account, which asks for what its channel needs.
 */
final readonly class AccountForm
{
    public function __construct(private HostOnForm $hosts) {}

    /**
     * Checks what was written and puts it into the account, which is not stored yet. Secrets are
     * never shown again, so an empty field means: as it was.
     */
    public function fill(Request $request, Account $account): void
    {
        $fields = array_merge(...array_values($account->channel->type()->fields($account)), ...[[]]);
        $rules = array_combine(
            array_map(static fn (AccountField $field): string => $field->name, $fields),
            array_map(static fn (AccountField $field): array => $field->rules, $fields)
        );
        $values = $request->validate([...$this->common($account), ...$rules], [
            'address.unique' => 'This account is connected already.',
            'api_key.required' => 'Put in the key that the service gave you.',
        ]);
        $this->refuseInside($request, $fields, $values);
        $this->refuseOldSecrets($account, $fields, $values);
        $settings = $secrets = $arrivals = [];
        foreach ($fields as $field) {
            $value = $values[$field->name] ?? null;
            match (true) {
                $field->kind === AccountField::SECRET => $value === null || $value === '' ?: $secrets[$field->name] = $value,
                in_array($field->name, Arrivals::FIELDS, true) => $arrivals[$field->name] = $value,
                default => $value === null ?: $settings[$field->name] = $value,
            };
        }
        $account->fill([
            'address' => $values['address'],
            'sender_name' => $values['sender_name'] ?? Store::current()->name,
            'signature' => $values['signature'] ?? null,
            'team_id' => $values['team_id'] ?? null,
            'settings' => $settings,
            'secrets' => [...$account->secrets, ...$secrets],
            'arrivals' => $arrivals === [] ? $account->arrivals : Arrivals::toStore($arrivals),
        ]);
    }

    /**
     * What leads inside is allowed by name, on purpose, or not written to.
     *
     * @param  list<AccountField>  $fields
     * @param  array<string, mixed>  $values
     */
    private function refuseInside(Request $request, array $fields, array $values): void
    {
        foreach ($fields as $field) {
            $host = $field->hostIn((string) ($values[$field->name] ?? ''));
            $host === null || $host === '' ?: $this->hosts->check($request, $field->name, $host);
        }
    }

    /**
     * A secret that is kept here is not sent to another place by who does not know it.
     *
     * @param  list<AccountField>  $fields
     * @param  array<string, mixed>  $values
     */
    private function refuseOldSecrets(Account $account, array $fields, array $values): void
    {
        foreach ($fields as $field) {
            $isKept = $field->kind === AccountField::SECRET && ($account->secrets[$field->name] ?? '') !== ''
                && ($values[$field->name] ?? '') === '';
            $changed = ! $isKept ? [] : array_filter(
                $field->goesTo,
                static fn (string $name): bool => (string) ($values[$name] ?? '') !== (string) ($account->settings[$name] ?? '')
            );
            if ($changed !== []) {
                throw ValidationException::withMessages([
                    $field->name => "{$field->label}: it would be sent elsewhere than before. Write it once more.",
                ]);
            }
        }
    }

    /**
     * @return array<string, mixed>
     */
    private function common(Account $account): array
    {
        $unique = Rule::unique('accounts', 'address')->where('channel', $account->channel->value)->ignore($account->id);

        return [
            'address' => [...$account->channel->type()->addressField()->rules, $unique],
            'sender_name' => [$account->channel->bringsMessages() ? 'required' : 'nullable', 'string', 'max:120'],
            'signature' => ['nullable', 'string', 'max:2000'],
            'team_id' => ['nullable', 'integer', 'exists:teams,id'],
        ];
    }
}
