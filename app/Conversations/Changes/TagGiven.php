<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Conversations\Actor;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalKind;
use App\Sorting\Tag;
use Illuminate\Database\Eloquent\Collection;

/**
 * A word that it is marked with.
 */
final class TagGiven extends Change
{
    public function __construct(private readonly ChangeTags $tags) {}

    public function key(): string
    {
        return 'add_tag';
    }

    public function phrase(): string
    {
        return 'add the tag';
    }

    public function group(): string
    {
        return 'Tags';
    }

    public function text(): string
    {
        return 'the tag';
    }

    public function hasChoices(): bool
    {
        return false;
    }

    public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string
    {
        $names = self::names($chosen);
        $longest = max(array_map(mb_strlen(...), $names) ?: [0]);
        if ($longest === 0 || $longest > ChangeTags::LONGEST) {
            throw ChangeRefused::because('write the tag, of at most '.ChangeTags::LONGEST.' letters; several with commas.');
        }

        return implode(', ', array_map(static fn (string $name): string => "“{$name}”", $names));
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        $this->tags->change($conversation, array_map(ChangeTags::named(...), self::names($chosen)), [], $actor, $why);
    }

    public function briefly(Chosen $chosen, string $words): string
    {
        return "tag {$words}";
    }

    public function references(Chosen $chosen): array
    {
        return array_map(Reference::toTag(...), self::names($chosen));
    }

    public function alreadySo(Collection $conversations, Chosen $chosen): array
    {
        $names = self::names($chosen);
        $tagged = array_intersect(...array_map(
            static fn (string $name): array => Tag::givenTo($conversations, $name), $names === [] ? [''] : $names
        ), ...[$conversations->modelKeys()]);

        return self::those($conversations, static fn (Conversation $one): bool => in_array($one->id, $tagged, true), 'it has this tag');
    }

    public function records(): array
    {
        return [JournalKind::TagsChanged];
    }

    /**
     * @return list<string>
     */
    private static function names(Chosen $chosen): array
    {
        return array_values(array_filter(array_map(trim(...), explode(',', $chosen->text)), static fn (string $one): bool => $one !== ''));
    }
}
