<?php

declare(strict_types=1);

namespace App\Ratings;

use App\Channels\RedactArrival;
use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\Journal\Journal;
use App\Conversations\Message;
use App\Ratings\Happened\Rated;
use Illuminate\Support\Facades\DB;

/**
 * Takes down what a customer says of our answers. Who thinks better of it says it again: the last word counts.
 */
final readonly class RateConversation
{
    public const LONGEST_COMMENT = 2000;

    public function __construct(private Journal $journal, private RedactArrival $redact) {}

    /**
     * @param  int  $score  1 to 5
     */
    public function rate(Conversation $conversation, int $score, string $comment): Rating
    {
        $taken = [];
        $comment = trim($this->redact->text(mb_substr(mb_scrub($comment, 'UTF-8'), 0, self::LONGEST_COMMENT), $taken));

        return DB::transaction(function () use ($conversation, $score, $comment): Rating {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            while ($locked->joined_into_id !== null) {
                // What was joined into another goes on there.
                $locked = Conversation::query()->lockForUpdate()->findOrFail($locked->joined_into_id);
            }
            $rating = Rating::query()->where('conversation_id', $locked->id)->first() ?? new Rating;
            if ($rating->exists && $rating->score === $score && $rating->comment === $comment) {
                return $rating;
            }
            $rating->forceFill([
                'conversation_id' => $locked->id,
                'customer_id' => $locked->customer_id,
                'teammate_id' => Message::query()
                    ->where('conversation_id', $locked->id)
                    ->where('direction', Message::OUT)
                    ->whereNotNull('teammate_id')
                    ->orderByDesc('id')
                    ->value('teammate_id'),
                'score' => $score,
                'comment' => $comment,
                'rated_at' => now(),
            ])->save();
            $this->journal->record($locked, new Rated($score, mb_substr($comment, 0, 500)), Actor::customer());

            return $rating;
        });
    }
}
