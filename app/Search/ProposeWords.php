<?php

declare(strict_types=1);

namespace App\Search;

use App\Conversations\Conversation;
use App\Team\Teammate;
use Cairnfield\Core\Search\NearestWord;
use Cairnfield\Core\Search\SearchQuery;

/**
 * Where nothing is found: what somebody may have meant, in words that were written in the latest conversations that they may read.
 */
final class ProposeWords
{
    private const LATEST = 2000;

    /** Of each document: what it is about, and what was said last. */
    private const CHARACTERS = 4000;

    /** Shorter words are near to many. */
    private const SHORTEST = 4;

    /**
     * @return array<string, string> what was meant, by the word that nobody wrote
     */
    public function instead(SearchQuery $asked, Teammate $teammate): array
    {
        $words = array_filter(
            $asked->certain(),
            static fn (string $word): bool => mb_strlen($word) >= self::SHORTEST && preg_match('/^\p{L}+$/u', $word) === 1
        );
        if ($words === []) {
            return [];
        }
        $written = $this->written($teammate);
        $proposed = [];
        foreach ($words as $word) {
            $length = mb_strlen($word);
            $near = [];
            foreach ($written as $one => $times) {
                $one = (string) $one;
                if (str_starts_with($one, $word)) {
                    // Somebody wrote it, though not together with the others.
                    continue 2;
                }
                abs(mb_strlen($one) - $length) > 2 ?: $near[] = $one;
            }
            $nearest = NearestWord::of($word, $near);
            $nearest === null ?: $proposed[$word] = $nearest;
        }

        return $proposed;
    }

    /**
     * @return array<string, int> how often, by the word; the most frequent first
     */
    private function written(Teammate $teammate): array
    {
        $texts = Conversation::readable($teammate)->where('junk', false)
            ->join('search_documents', 'conversation_id', '=', 'conversations.id')
            ->orderByDesc('search_documents.said_at')->limit(self::LATEST)
            ->selectRaw('LEFT(search_documents.text, ?) AS text', [self::CHARACTERS])->pluck('text');
        $times = [];
        foreach ($texts as $text) {
            foreach (array_unique(explode(' ', (string) $text)) as $word) {
                if (strlen($word) >= self::SHORTEST && preg_match('/\d/', $word) !== 1) {
                    $times[$word] = ($times[$word] ?? 0) + 1;
                }
            }
        }
        arsort($times);

        return $times;
    }
}
