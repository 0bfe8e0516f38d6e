<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\SignedBody;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Where services tell us what happened, each event signed.
 */
final readonly class EventsController
{
    private const LARGEST = 1_000_000;

    public function __construct(private TakeEvent $takeEvent) {}

    public function __invoke(Request $request, Account $account): JsonResponse
    {
        if (! $account->channel->isService() || $account->state === AccountState::Disconnected) {
            return $this->refuse(null, 'no_account', 'There is no account here that takes events.', 404);
        }
        $size = (int) $request->header('Content-Length');
        $body = $size > self::LARGEST ? '' : $request->getContent();
        if ($size > self::LARGEST || strlen($body) > self::LARGEST) {
            return $this->refuse($account, 'too_large', 'The event is larger than a megabyte.', 413, max($size, strlen($body)));
        }
        $refusal = SignedBody::problem(
            $request, $account->channel->type()->signs(), $body, $account->secrets['webhook_secret'] ?? ''
        );
        if ($refusal !== null) {
            return $this->refuse($account, 'bad_signature', $refusal, 401, strlen($body));
        }
        $event = json_decode($body, true, 64);
        if (! is_array($event) || array_is_list($event)) {
            return $this->refuse($account, 'bad_json', 'The body is not a JSON object.', 400, strlen($body));
        }
        if ($account->state === AccountState::Paused) {
            return new JsonResponse(
                ['taken' => false, 'reason' => 'The account is paused. Events are read afterwards.'], JsonResponse::HTTP_ACCEPTED
            );
        }
        $answer = $this->takeEvent->take($account, $event, 'webhook');
        $account->forceFill(['last_heard_at' => now()])->saveQuietly();

        return new JsonResponse($answer, $answer['taken'] ? JsonResponse::HTTP_OK : JsonResponse::HTTP_UNPROCESSABLE_ENTITY);
    }

    private function refuse(?Account $account, string $problem, string $reason, int $status, int $size = 0): JsonResponse
    {
        if ($account !== null) {
            EventTrace::write($account, 'webhook', $problem, $reason, null, $size);
        }

        return new JsonResponse(['error' => $problem, 'message' => $reason], $status);
    }
}
