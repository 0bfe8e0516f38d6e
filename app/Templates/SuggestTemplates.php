<?php

declare(strict_types=1);

namespace App\Templates;

use App\Channels\Account;
use App\Conversations\Conversation;
use App\Conversations\Message;
use App\Team\Teammate;
use Cairnfield\Core\Search\SearchText;
use Cairnfield\Core\Templates\Situation;
use Cairnfield\Core\Templates\Suggestion;
use Cairnfield\Core\Templates\Suggestions;
use Cairnfield\Core\Templates\TemplateHabit;
use Cairnfield\Core\Text\FunctionWords;
use Illuminate\Support\Facades\DB;

/**
 * The templates that the team used most on conversations like one, from its own past.
 */
final readonly class SuggestTemplates
{
    private const MOST_WORDS = 30;

    private const SHORTEST_WORD = 4;

    public function __construct(private FindTemplates $find) {}

    /**
     * @return list<array{Template, string}> at most three, each with why
     */
    public function for(Conversation $conversation, Teammate $teammate): array
    {
        // What was said here already is not said again.
        $used = DB::table('template_uses')->whereIn('conversation_id', $conversation->withJoined())->pluck('template_id')->all();
        $templates = $this->find->usable($teammate)->except($used)->keyBy('id');
        $situation = $this->situation($conversation);
        $suggestions = $templates->isEmpty()
            ? []
            : Suggestions::of(
                $situation,
                $this->habits(array_values($templates->modelKeys()), $situation, $templates->pluck('hand_uses', 'id')->all())
            );

        return array_map(static fn (Suggestion $one): array => [$templates[$one->template], self::why($one, $conversation)], $suggestions);
    }

    public function situation(Conversation $conversation): Situation
    {
        $message = Message::query()
            ->whereIn('conversation_id', $conversation->withJoined())
            ->where('direction', Message::IN)
            ->orderByDesc('id')
            ->first(['subject', 'text']);
        $words = $message === null ? [] : array_values(array_diff(
            self::words("{$message->subject} {$message->text}"), self::ownNames()
        ));

        return new Situation($conversation->category_id, $conversation->channel->value, $words);
    }

    /**
     * What our own accounts are called: who writes to @brindlekites says nothing by it.
     *
     * @return list<string>
     */
    private static function ownNames(): array
    {
        return self::words(Account::query()->pluck('address')->implode(' '));
    }

    /**
     * @return list<string> each once, those that say little left out
     */
    public static function words(string $text): array
    {
        $words = array_filter(
            SearchText::words(mb_substr($text, 0, 4000)),
            static fn (string $word): bool => mb_strlen($word) >= self::SHORTEST_WORD
                && mb_strlen($word) <= 40
                && preg_match('/\d/', $word) !== 1
                && ! FunctionWords::has($word)
        );

        return array_slice(array_values(array_unique($words)), 0, self::MOST_WORDS);
    }

    /**
     * @param  list<int>  $ids
     * @param  array<int, int>  $uses
     * @return list<TemplateHabit>
     */
    private function habits(array $ids, Situation $situation, array $uses): array
    {
        $counts = [];
        $rows = DB::table('template_habits')->whereIn('template_id', $ids)->where(static fn ($kinds) => $kinds
            ->where(static fn ($one) => $one->where('kind', 'category')->where('value', (string) $situation->category))
            ->orWhere(static fn ($one) => $one->where('kind', 'channel')->where('value', $situation->channel))
            ->orWhere(static fn ($one) => $one->where('kind', 'word')->whereIn('value', $situation->words)))->get();
        foreach ($rows as $row) {
            $counts[(int) $row->template_id][(string) $row->kind][(string) $row->value] = (int) $row->uses;
        }

        return array_values(array_map(
            static fn (int $id): TemplateHabit => new TemplateHabit(
                $id, $uses[$id], $counts[$id]['category'] ?? [], $counts[$id]['channel'] ?? [], $counts[$id]['word'] ?? []
            ),
            array_filter($ids, static fn (int $id): bool => $uses[$id] > 0),
        ));
    }

    private static function why(Suggestion $suggestion, Conversation $conversation): string
    {
        $parts = [];
        if ($suggestion->inCategory > 0 && $conversation->category !== null) {
            $parts[] = "{$suggestion->inCategory} of {$suggestion->uses} times on {$conversation->category->name}";
        } else {
            $parts[] = "used {$suggestion->uses} times";
        }
        if ($suggestion->words !== []) {
            $parts[] = 'they wrote '.implode(', ', array_map(static fn (string $word): string => "“{$word}”", $suggestion->words));
        }

        return implode('; ', $parts);
    }
}
