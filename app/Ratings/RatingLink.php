<?php

declare(strict_types=1);

namespace App\Ratings;

use App\Conversations\Conversation;
use Illuminate\Support\Facades\URL;

/**
 * The address at which a customer says how it went. It is signed: nobody can make one up for a conversation that
 * is not theirs. Nothing is stored until they say it.
 */
final class RatingLink
{
    public const ROUTE = 'rate';

    public static function of(Conversation $conversation): string
    {
        return rtrim((string) config('app.url'), '/').URL::signedRoute(self::ROUTE, ['conversation' => $conversation->id], null, false);
    }
}
