<?php

declare(strict_types=1);

namespace App\Ratings;

use App\Conversations\Conversation;
use App\Support\Written;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\RateLimiter;

/**
 * The page on which a customer says how it went. Needs no session and no script; whoever has the signed address
 * may say it.
 */
final readonly class RatingController
{
    private const FROM_ONE_PLACE = 20;

    public function __construct(private RateConversation $rate) {}

    public function show(Request $request, Conversation $conversation): Response
    {
        $this->refuseUnsigned($request);

        return $this->page($conversation, Rating::query()->where('conversation_id', $conversation->id)->first());
    }

    public function store(Request $request, Conversation $conversation): Response
    {
        $this->refuseUnsigned($request);
        $score = Written::text($request, 'score');
        $comment = mb_substr(Written::text($request, 'comment'), 0, RateConversation::LONGEST_COMMENT);
        if (preg_match('/^[1-5]$/', $score) !== 1) {
            return $this->page($conversation, null, $comment, RatingWords::in($conversation->language)->choose, 422);
        }
        if (! RateLimiter::attempt("rate:{$request->ip()}", self::FROM_ONE_PLACE, static fn (): bool => true, 600)) {
            abort(429);
        }

        return $this->page($conversation, $this->rate->rate($conversation, (int) $score, $comment), isDone: true);
    }

    private function refuseUnsigned(Request $request): void
    {
        $request->hasValidRelativeSignature() || abort(404);
    }

    private function page(
        Conversation $conversation, ?Rating $rating, string $comment = '', ?string $problem = null, int $status = 200,
        bool $isDone = false
    ): Response {
        return response(view('ratings.rate', [
            'conversation' => $conversation,
            'words' => RatingWords::in($conversation->language),
            'score' => $rating?->score,
            'comment' => $rating->comment ?? $comment,
            'problem' => $problem,
            'isDone' => $isDone,
            'at' => request()->fullUrl(),
        ])->render(), $status);
    }
}
