<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Takes raw messages that a shop's mail server forwards over HTTP, signed with the account's secret.
 *
 * `Cairnfield-Time` is the time of sending in seconds since 1970; `Cairnfield-Signature` is the
 * hexadecimal HMAC-SHA-256 of that time, a dot, and the body.
 */
final readonly class ForwardedMailController
{
    public function __construct(private TakeMail $takeMail) {}

    public function __invoke(Request $request, Account $account): JsonResponse
    {
        $body = $request->getContent();
        $refusal = $this->refusal($request, $account, $body);
        if ($refusal !== null) {
            return new JsonResponse(['error' => $refusal], JsonResponse::HTTP_UNAUTHORIZED);
        }
        $account->forceFill(['last_heard_at' => now()])->save();
        $taken = $this->takeMail->take($body, $account);

        return JsonResponse::fromJsonString($taken->toJson(), $taken->result === 'new' ? JsonResponse::HTTP_CREATED : JsonResponse::HTTP_OK);
    }

    private function refusal(Request $request, Account $account, string $body): ?string
    {
        $time = (string) $request->header('Cairnfield-Time');
        $signature = (string) $request->header('Cairnfield-Signature');
        $secret = $account->secrets['forward_secret'] ?? '';
        $isRecent = ctype_digit($time) && abs(now()->getTimestamp() - (int) $time) <= (int) config('cairnfield.mail.forward_tolerance');

        return match (true) {
            $secret === '' => 'This account takes no forwarded mail: it has no signing secret.',
            ! $isRecent => 'Cairnfield-Time is missing, or more than five minutes off. Check the clock of the sending machine.',
            ! hash_equals(hash_hmac('sha256', "{$time}.{$body}", $secret), strtolower($signature)) => 'Cairnfield-Signature does not fit the time and the body. Check the secret.',
            default => null,
        };
    }
}
