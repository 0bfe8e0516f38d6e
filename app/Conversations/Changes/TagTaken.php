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
 * A word that it is no longer marked with.
 */
final class TagTaken extends Change
{
    public function __construct(private readonly ChangeTags $tags) {}

    public function key(): string
    {
        return 'remove_tag';
    }

    public function phrase(): string
    {
        return 'take away the tag';
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
        return $chosen->text !== '' && mb_strlen($chosen->text) <= ChangeTags::LONGEST
            ? "“{$chosen->text}”"
            : throw ChangeRefused::because('write the tag, of at most '.ChangeTags::LONGEST.' letters.');
    }

    public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void
    {
        $this->tags->change($conversation, [], Tag::called($chosen->text), $actor, $why);
    }

    public function briefly(Chosen $chosen, string $words): string
    {
        return "without tag {$words}";
    }

    public function references(Chosen $chosen): array
    {
        return [Reference::toTag($chosen->text)];
    }

    public function alreadySo(Collection $conversations, Chosen $chosen): array
    {
        $tagged = Tag::givenTo($conversations, $chosen->text);

        return self::those(
            $conversations, static fn (Conversation $one): bool => ! in_array($one->id, $tagged, true), 'it has not this tag'
        );
    }

    public function records(): array
    {
        return [JournalKind::TagsChanged];
    }
}
