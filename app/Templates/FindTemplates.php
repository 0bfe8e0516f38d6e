<?php

declare(strict_types=1);

namespace App\Templates;

use App\Conversations\Conversation;
use App\Team\Teammate;
use Cairnfield\Core\Text\Folding;
use Illuminate\Database\Eloquent\Collection;

/**
 * The templates that a person can use in a conversation, by a few letters of name, folder or text: what fits its
 * category first, then what is used most.
 */
final class FindTemplates
{
    public const MOST = 8;

    /** More than these nobody keeps in mind; the longest unused are left out. */
    private const LOOKED_THROUGH = 500;

    /**
     * @return list<Template>
     */
    public function find(Conversation $conversation, Teammate $teammate, string $letters): array
    {
        $words = array_values(array_filter(explode(' ', Folding::fold($letters)), static fn (string $word): bool => $word !== ''));
        $category = $conversation->category_id;
        $found = [];
        foreach ($this->usable($teammate) as $template) {
            $place = $this->place($template, $words);
            if ($place !== null) {
                $found[] = [
                    $place, $category !== null && $template->categories->contains('id', $category) ? 0 : 1, -$template->uses,
                    $template->name, $template,
                ];
            }
        }
        usort($found, static fn (array $one, array $other): int => array_slice($one, 0, 4) <=> array_slice($other, 0, 4));

        return array_slice(array_column($found, 4), 0, self::MOST);
    }

    /**
     * @return Collection<int, Template>
     */
    public function usable(Teammate $teammate): Collection
    {
        return Template::seenBy($teammate)
            ->whereNull('retired_at')
            ->with(['languages', 'categories'])
            ->orderByDesc('last_used_at')
            ->orderBy('name')
            ->limit(self::LOOKED_THROUGH)
            ->get();
    }

    /**
     * 0 where its name begins with the letters, 1 where a word of it does, 2 in the folder, 3 in the text; null where nowhere.
     *
     * @param  list<string>  $words
     */
    private function place(Template $template, array $words): ?int
    {
        if ($words === []) {
            return 0;
        }
        $name = Folding::fold($template->name);
        if (str_starts_with($name, implode(' ', $words))) {
            return 0;
        }
        $isIn = static fn (string $text): bool => array_filter(
            $words, static fn (string $word): bool => ! str_contains(" {$text}", " {$word}")
        ) === [];

        return match (true) {
            $isIn($name) => 1,
            $isIn($name.' '.Folding::fold($template->folder)) => 2,
            $isIn($name.' '.Folding::fold($template->languages->pluck('text')->implode(' '))) => 3,
            default => null,
        };
    }
}
