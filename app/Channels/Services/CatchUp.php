<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Support\SessionLock;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Cache;
use Throwable;

/**
 * Reads what happened at an account's service from where it stopped: everything that a notification
 * was lost for, and all that came while we were away. The place is remembered after each page.
 */
final class CatchUp implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    private const PAGE = 100;

    /** After so many pages another account gets its turn. */
    private const MOST_PAGES = 50;

    public int $tries = 1;

    public int $timeout = 300;

    public function __construct(public readonly int $accountId)
    {
        $this->onQueue('intake');
    }

    public function handle(ServiceClient $client, TakeEvent $takeEvent): void
    {
        SessionLock::during("catch-up-{$this->accountId}", function () use ($client, $takeEvent): void {
            $account = Account::query()->find($this->accountId);
            if (
                $account !== null && $account->state === AccountState::Active && $account->channel->isService() && ! self::rests($account)
            ) {
                $this->read($account, $client, $takeEvent);
            }
        });
    }

    private function read(Account $account, ServiceClient $client, TakeEvent $takeEvent): void
    {
        try {
            for ($page = 0; $page < self::MOST_PAGES; $page++) {
                $answer = $client->get($account, '/v1/events', ['after' => (string) $account->cursor, 'limit' => self::PAGE]);
                $events = is_array($answer['events'] ?? null)
                    ? $answer['events']
                    : throw ServiceFault::unreadable($account->channel->label());
                foreach ($events as $event) {
                    $takeEvent->take($account, is_array($event) ? $event : ['type' => 'none', 'event' => $event], 'catch-up');
                }
                $account->forceFill(['cursor' => mb_substr((string) ($answer['next'] ?? $account->cursor), 0, 200)])->heard();
                if (($answer['more'] ?? false) !== true) {
                    break;
                }
            }
        } catch (ServiceFault $fault) {
            if ($fault->retryAfter !== null) {
                Cache::put("rests-{$account->id}", true, $fault->retryAfter);
            }
            $account->wentWrong($fault->getMessage());
        } catch (Throwable $fault) {
            // The page is read again from its beginning; what was taken of it is recognised.
            report($fault);
            $account->wentWrong("Something that arrived could not be stored: {$fault->getMessage()} It is read again until it can.");
        }
    }

    /**
     * The service has asked to be left alone for a while.
     */
    private static function rests(Account $account): bool
    {
        return Cache::has("rests-{$account->id}");
    }
}
