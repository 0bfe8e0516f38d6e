<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\Conversation;
use App\Team\Role;
use App\Team\Teammate;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Database\Query\Builder as PlainBuilder;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/**
 * Who reads the conversations of a category: everybody, unless it is for its members alone. Then these are whoever is responsible
 * for it, those who know about it, and the same of the category above by which it is closed. Where none of them can sign in any
 * more, administrators read them, so that nobody's conversation disappears.
 *
 * Read once for a page or a job; asking costs one query of a small table, and nothing more where no category is closed.
 */
final class WhoMayRead
{
    /** @var array<int, list<int>>|null people by category, for those that are for their members alone */
    private ?array $readers = null;

    /**
     * @return list<int>|null ids of people; null for everybody
     */
    public function of(?int $category): ?array
    {
        return $category === null ? null : ($this->readers()[$category] ?? null);
    }

    /**
     * What goes on elsewhere from a conversation that is for the members of its category alone stays there.
     */
    public function staysIn(?int $category): ?int
    {
        return $this->of($category) === null ? null : $category;
    }

    /**
     * Whether the same people read what is sorted under either.
     */
    public function isTheSame(?int $one, ?int $other): bool
    {
        [$of, $ofOther] = [$this->of($one), $this->of($other)];
        $of === null ?: sort($of);
        $ofOther === null ?: sort($ofOther);

        return $of === $ofOther;
    }

    public function mayRead(int $person, ?int $category): bool
    {
        return self::isAmong($person, $this->of($category));
    }

    /**
     * Where it is joined into another, by what that one is sorted under: it is shown there.
     *
     * @return list<int>|null ids of people; null for everybody
     */
    public function ofConversation(Conversation $conversation): ?array
    {
        if ($this->readers() === []) {
            return null;
        }
        $category = $conversation->joined_into_id === null
            ? $conversation->category_id
            : DB::table('conversations')->where('id', $conversation->joined_into_id)->value('category_id');

        return $this->of($category === null ? null : (int) $category);
    }

    /**
     * @return list<int>|null ids of people; null for everybody
     */
    public function ofNumber(int $conversation): ?array
    {
        return $this->readers() === []
            ? null
            : $this->ofConversation(Conversation::query()->findOrFail($conversation, ['id', 'category_id', 'joined_into_id']));
    }

    public function mayReadConversation(int $person, Conversation $conversation): bool
    {
        return self::isAmong($person, $this->ofConversation($conversation));
    }

    public function mayReadNumber(int $person, int $conversation): bool
    {
        return self::isAmong($person, $this->ofNumber($conversation));
    }

    /**
     * @return list<int> the categories whose conversations somebody does not read
     */
    public function closedTo(int $person): array
    {
        return array_keys(array_filter($this->readers(), static fn (array $readers): bool => ! in_array($person, $readers, true)));
    }

    /**
     * Leaves out what somebody does not read. Where nobody is signed in and nobody is named, it is the store itself that works with
     * its conversations: with all of them.
     *
     * @template T of Builder<Conversation>|Relation<Conversation, *, *>|PlainBuilder
     *
     * @param  T  $query  of conversations
     * @param  Teammate|null  $for  null for whoever is signed in
     * @return T
     */
    public function narrow(
        Builder|Relation|PlainBuilder $query, ?Teammate $for = null, string $column = 'conversations.category_id'
    ): Builder|Relation|PlainBuilder {
        $closed = $this->closed($for);
        if ($closed !== []) {
            $query->where(static fn ($read) => $read->whereNull($column)->orWhereNotIn($column, $closed));
        }

        return $query;
    }

    /**
     * The same, to be named where conversations are counted beside something else.
     *
     * @param  Builder<Conversation>  $conversations
     */
    public function only(Builder $conversations): void
    {
        $this->narrow($conversations);
    }

    /**
     * Leaves out what tells of a conversation that somebody does not read.
     *
     * @template T of Builder<*>|Relation<*, *, *>|PlainBuilder
     *
     * @param  T  $query  of rows that name a conversation, or none
     * @param  Teammate|null  $for  null for whoever is signed in
     * @param  string  $column  that names it, with its table
     * @return T
     */
    public function narrowWhatTellsOf(
        Builder|Relation|PlainBuilder $query, string $column, ?Teammate $for = null
    ): Builder|Relation|PlainBuilder {
        $closed = $this->closed($for);
        if ($closed !== []) {
            $query->where(static fn ($told) => $told->whereNull($column)->orWhereNotExists(
                static fn (PlainBuilder $of) => $of->selectRaw('1')
                    ->from('conversations as told_of')
                    ->leftJoin('conversations as shown_in', 'shown_in.id', '=', 'told_of.joined_into_id')
                    ->whereColumn('told_of.id', $column)
                    ->whereIn(DB::raw('IF(shown_in.id IS NULL, told_of.category_id, shown_in.category_id)'), $closed)
            ));
        }

        return $query;
    }

    /**
     * @return list<string>|null null where everybody reads it
     */
    public function namesOf(?int $category): ?array
    {
        $readers = $this->of($category);

        return $readers === null
            ? null
            : array_values(Teammate::query()->whereKey($readers)->orderBy('name')->get()->map(
                static fn (Teammate $person): string => $person->firstName()
            )->all());
    }

    /**
     * @return array<int, list<int>> people by category, for those that are for their members alone
     */
    public function all(): array
    {
        return $this->readers();
    }

    /**
     * Whether anybody is named who can sign in, so that nobody has to take their place.
     */
    public function hasMembers(int $category): bool
    {
        $of = Category::query()->findOrFail($category);

        return Teammate::query()->where('may_sign_in', true)
            ->whereKey([...$of->members()->pluck('teammates.id')->all(), (int) $of->responsible_id])->exists();
    }

    public function forget(): void
    {
        $this->readers = null;
    }

    /**
     * @param  list<int>|null  $readers  null for everybody
     */
    private static function isAmong(int $person, ?array $readers): bool
    {
        return $readers === null || in_array($person, $readers, true);
    }

    /**
     * @return list<int>
     */
    private function closed(?Teammate $for): array
    {
        $for ??= Auth::user();

        return $for instanceof Teammate ? $this->closedTo($for->id) : [];
    }

    /**
     * @return array<int, list<int>>
     */
    private function readers(): array
    {
        return $this->readers ??= self::read();
    }

    /**
     * @return array<int, list<int>>
     */
    private static function read(): array
    {
        $categories = DB::table('categories')->get(['id', 'parent_id', 'members_only', 'responsible_id'])->keyBy('id');
        if ($categories->where('members_only', 1)->isEmpty()) {
            return [];
        }
        $may = DB::table('teammates')->where('may_sign_in', true)->pluck('role', 'id');
        $members = [];
        foreach (DB::table('category_teammate')->get(['category_id', 'teammate_id']) as $row) {
            $members[$row->category_id][] = (int) $row->teammate_id;
        }
        $readers = [];
        foreach ($categories as $id => $category) {
            $by = $category;
            for ($seen = []; $by->members_only === null && isset($categories[$by->parent_id]) && ! isset($seen[$by->id]);) {
                $seen[$by->id] = true;
                $by = $categories[$by->parent_id];
            }
            if ((int) $by->members_only === 1) {
                $named = [
                    ...$members[$id] ?? [], ...$members[$by->id] ?? [], (int) $category->responsible_id, (int) $by->responsible_id,
                ];
                $able = array_values(array_unique(array_filter($named, static fn (int $person): bool => isset($may[$person]))));
                sort($able);
                $readers[(int) $id] = $able !== [] ? $able : $may->filter(
                    static fn (string $role): bool => $role === Role::Administrator->value
                )->keys()->map(intval(...))->values()->all();
            }
        }

        return $readers;
    }
}
