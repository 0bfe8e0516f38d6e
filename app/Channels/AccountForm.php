<?php

declare(strict_types=1);

namespace App\Channels;

use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/**
 * Takes what was written on the form of an account, which asks for what its channel needs.
 */
final class AccountForm
{
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
            'sender_name' => $values['sender_name'] ?? (string) config('cairnfield.store.name'),
            'signature' => $values['signature'] ?? null,
            'team_id' => $values['team_id'] ?? null,
            'settings' => $settings,
            'secrets' => [...$account->secrets, ...$secrets],
            'arrivals' => $arrivals === [] ? $account->arrivals : Arrivals::toStore($arrivals),
        ]);
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
