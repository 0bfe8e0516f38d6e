<?php

declare(strict_types=1);

namespace App\Search;

use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Conversations\Note;
use Cairnfield\Core\Search\FoundWords;
use Cairnfield\Core\Text\FoldedText;
use Illuminate\Database\Eloquent\Collection;

/**
 * The piece of each found conversation in which the words stand.
 */
final class FoundPieces
{
    private const LENGTH = 190;

    private const OF_ONE_TEXT = 8000;

    /**
     * @param  Collection<int, Conversation>  $conversations
     * @param  list<string>  $words
     * @return array<int, list<array{string, bool}>> by conversation
     */
    public function of(Collection $conversations, array $words): array
    {
        $pieces = [];
        $ids = $words === [] ? [] : $conversations->modelKeys();
        $texts = $ids === []
            ? []
            : Message::query()->whereIn('conversation_id', $ids)->orderByDesc('id')->toBase()->selectRaw(
                'conversation_id, LEFT(text, ?) AS text', [self::OF_ONE_TEXT]
            )->get()
                ->concat(
                    Note::query()
                        ->whereIn('conversation_id', $ids)
                        ->orderByDesc('id')
                        ->toBase()
                        ->selectRaw('conversation_id, LEFT(text, ?) AS text', [self::OF_ONE_TEXT])
                        ->get()
                );
        foreach ($texts as $text) {
            $id = (int) $text->conversation_id;
            $around = isset($pieces[$id]) || ! FoundWords::mayBeIn((string) $text->text, $words)
                ? null
                : FoundWords::around(FoldedText::of((string) $text->text)->written, $words, self::LENGTH);
            if ($around !== null) {
                $pieces[$id] = $around;
            }
        }
        foreach ($conversations as $conversation) {
            $pieces[$conversation->id] ??= [[$conversation->preview, false]];
        }

        return $pieces;
    }
}
