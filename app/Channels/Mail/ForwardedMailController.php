<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\SignedBody;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Takes raw messages that a shop's mail server forwards over HTTP, signed with the account's secret.
 */
final readonly class ForwardedMailController
{
    public function __construct(private TakeMail $takeMail) {}

    public function __invoke(Request $request, Account $account): JsonResponse
    {
        $body = $request->getContent();
        $refusal = SignedBody::problem($request, 'Cairnfield', $body, $account->secrets['forward_secret'] ?? '');
        if ($refusal !== null) {
            return new JsonResponse(['error' => $refusal], JsonResponse::HTTP_UNAUTHORIZED);
        }
        $account->forceFill(['last_heard_at' => now()])->save();
        $taken = $this->takeMail->take($body, $account);

        return JsonResponse::fromJsonString(
            $taken->toJson(), $taken->result === 'new' ? JsonResponse::HTTP_CREATED : JsonResponse::HTTP_OK
        );
    }
}
