<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\Conversation;
use App\Support\Row;
use Cairnfield\Core\Text\Folding;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * A word that conversations are marked with.
 *
 * @property int $id
 * @property string $name
 * @property string $folded
 * @property CarbonImmutable|null $retired_at
 * @property int|null $merged_into_id
 */
final class Tag extends Row
{
    protected $table = 'tags';

    protected $guarded = ['*'];

    /**
     * @return Builder<Tag> those that can be given
     */
    public static function inUse(): Builder
    {
        return self::query()->whereNull('retired_at')->orderBy('folded');
    }

    /**
     * @return list<self> the one of this name, where there is one
     */
    public static function called(string $name): array
    {
        return array_values(self::query()->where('folded', Folding::fold($name))->get()->all());
    }

    /**
     * Which of some conversations have the tag of this name.
     *
     * @param  Collection<int, Conversation>  $conversations
     * @return list<int> their numbers
     */
    public static function givenTo(Collection $conversations, string $name): array
    {
        return array_values(array_map(intval(...), DB::table('conversation_tag')
            ->whereIn('tag_id', array_column(self::called($name), 'id'))
            ->whereIn('conversation_id', $conversations->modelKeys())
            ->pluck('conversation_id')->all()));
    }

    protected function casts(): array
    {
        return ['retired_at' => 'immutable_datetime'];
    }
}
