<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;

/**
 * Asks a service who we are there, and has it tell us what happens.
 */
final readonly class ConnectService
{
    public function __construct(private ServiceClient $client) {}

    /**
     * @return string what was found, for the person who asked
     *
     * @throws ServiceFault
     */
    public function check(Account $account): string
    {
        $answer = $this->client->get($account, '/v1/account');
        $name = is_string($answer['account'] ?? null) ? $answer['account'] : '';
        if ($name !== $account->address) {
            throw ServiceFault::refused(
                $account->channel->label(), 200,
                "the key belongs to “{$name}”, not to “{$account->address}”. Put the right key in, or name the account so."
            );
        }

        return "{$account->channel->label()} knows us as {$name}.";
    }

    /**
     * @throws ServiceFault
     */
    public function subscribe(Account $account): void
    {
        $secret = $account->secrets['webhook_secret'] ?? bin2hex(random_bytes(24));
        $account->forceFill(['secrets' => [...$account->secrets, 'webhook_secret' => $secret]])->save();
        $this->client->send($account, 'PUT', '/v1/webhook', [
            'url' => rtrim((string) config('app.url'), '/')."/intake/events/{$account->id}",
            'secret' => $secret,
        ]);
    }

    /**
     * Tells the service that we listen no more, where it can be told, and throws the secrets away.
     */
    public function disconnect(Account $account): void
    {
        try {
            $this->client->send($account, 'DELETE', '/v1/webhook');
        } catch (ServiceFault) {
            // It will be refused when it tells us something: the secret is gone.
        }
    }
}
