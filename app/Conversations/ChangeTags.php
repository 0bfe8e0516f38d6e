<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Conversations\Happened\TagsChanged;
use App\Conversations\Journal\Journal;
use App\Conversations\Journal\Named;
use App\Sorting\Tag;
use Cairnfield\Core\Text\Folding;
use Illuminate\Support\Facades\DB;

/**
 * Gives a conversation tags and takes them away.
 */
final readonly class ChangeTags
{
    public const LONGEST = 60;

    public function __construct(private Journal $journal) {}

    /**
     * @param  list<Tag>  $give
     * @param  list<Tag>  $take
     */
    public function change(Conversation $conversation, array $give, array $take, Actor $actor, string $why = ''): void
    {
        DB::transaction(function () use ($conversation, $give, $take, $actor, $why): void {
            $locked = Conversation::query()->lockForUpdate()->findOrFail($conversation->id);
            $has = array_map(intval(...), DB::table('conversation_tag')->where('conversation_id', $locked->id)->pluck('tag_id')->all());
            $given = array_values(
                array_filter(array_column($give, null, 'id'), static fn (Tag $tag): bool => ! in_array($tag->id, $has, true))
            );
            $taken = array_values(array_filter($take, static fn (Tag $tag): bool => in_array($tag->id, $has, true)));
            if ($given === [] && $taken === []) {
                return;
            }
            DB::table('conversation_tag')->insert(
                array_map(static fn (Tag $tag): array => ['conversation_id' => $locked->id, 'tag_id' => $tag->id], $given)
            );
            $taken === [] || DB::table('conversation_tag')
                ->where('conversation_id', $locked->id)
                ->whereIn('tag_id', array_column($taken, 'id'))
                ->delete();
            $named = static fn (Tag $tag): Named => new Named($tag->id, $tag->name);
            $this->journal->record($locked, new TagsChanged(array_map($named, $given), array_map($named, $taken)), $actor, $why);
        });
    }

    /**
     * The tag of this name, made where there is none; one that was merged leads to the one it is part of.
     *
     * @throws ConversationRefused when it has no letters, or too many
     */
    public static function named(string $name): Tag
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', str_replace(',', ' ', $name)));
        $folded = Folding::fold($name);
        if ($folded === '' || mb_strlen($name) > self::LONGEST) {
            throw ConversationRefused::badTag($name, self::LONGEST);
        }
        $tag = Tag::query()->where('folded', $folded)->first();
        if ($tag === null) {
            // Another person may give the same new one in this moment.
            Tag::query()->insertOrIgnore(['name' => $name, 'folded' => $folded, 'created_at' => now(), 'updated_at' => now()]);
            $tag = Tag::query()->where('folded', $folded)->lockForUpdate()->firstOrFail();
        }
        $tag = $tag->merged_into_id === null ? $tag : Tag::query()->findOrFail($tag->merged_into_id);
        if ($tag->retired_at !== null) {
            // Who writes it wants it again.
            $tag->forceFill(['retired_at' => null])->save();
        }

        return $tag;
    }
}
