<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;
use App\Channels\Connection;
use App\Channels\NotConnected;

/**
 * Asks a service who we are there, and has it tell us what happens.
 */
final readonly class ConnectService implements Connection
{
    public function __construct(private ServiceClient $client) {}

    public function begin(Account $account): string
    {
        try {
            $known = $this->whoWeAre($account);
            $this->subscribe($account);
        } catch (ServiceFault $fault) {
            $account->wentWrong($fault->getMessage());
            throw NotConnected::since($fault);
        }
        $this->goOn($account);

        return "Connected. {$known} What happened there so far is being read.";
    }

    public function check(Account $account): string
    {
        try {
            $known = $this->whoWeAre($account);
            $this->subscribe($account);
        } catch (ServiceFault $fault) {
            throw NotConnected::since($fault);
        }
        $account->heard();

        return "{$known} It tells us what happens, and lets us answer.";
    }

    public function goOn(Account $account): void
    {
        CatchUp::dispatch($account->id);
    }

    public function changed(Account $account): void
    {
        // Its place there is still known.
    }

    public function end(Account $account): void
    {
        try {
            $this->client->send($account, 'DELETE', '/v1/webhook');
        } catch (ServiceFault) {
            // It will be refused when it tells us something: the secret is gone.
        }
    }

    /**
     * @throws ServiceFault
     */
    private function whoWeAre(Account $account): string
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
    private function subscribe(Account $account): void
    {
        $secret = $account->secrets['webhook_secret'] ?? bin2hex(random_bytes(24));
        $account->forceFill(['secrets' => [...$account->secrets, 'webhook_secret' => $secret]])->save();
        $this->client->send($account, 'PUT', '/v1/webhook', [
            'url' => rtrim((string) config('app.url'), '/')."/intake/events/{$account->id}",
            'secret' => $secret,
        ]);
    }
}
