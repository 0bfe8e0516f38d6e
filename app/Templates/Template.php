<?php

declare(strict_types=1);

namespace App\Templates;

use App\Sorting\Category;
use App\Store\Store;
use App\Support\Row;
use App\Team\Team;
use App\Team\Teammate;
use App\Views\SharedWith;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Str;
use Throwable;

/**
 * A prepared answer: text in one or more languages, files, and steps that go with it. Changed only by `SaveTemplate`.
 *
 * @property int $id
 * @property string $name
 * @property string $folder
 * @property int|null $teammate_id who made it
 * @property SharedWith $shared_with
 * @property int|null $team_id
 * @property list<array{do: string, value: string}> $steps
 * @property int $version
 * @property int $uses
 * @property int $hand_uses those in which a person chose it
 * @property int $changed_uses
 * @property int $changed_thousandths
 * @property CarbonImmutable|null $last_used_at
 * @property CarbonImmutable|null $retired_at
 * @property CarbonImmutable $updated_at
 * @property Collection<int, TemplateLanguage> $languages
 * @property Collection<int, TemplateFile> $files
 * @property Collection<int, Category> $categories
 * @property Teammate|null $teammate
 * @property Team|null $team
 */
final class Template extends Row
{
    protected $table = 'templates';

    protected $guarded = ['*'];

    /**
     * Their own, those of their teams, and everybody's.
     *
     * @return Builder<Template>
     */
    public static function seenBy(Teammate $teammate): Builder
    {
        return self::query()->where(fn (Builder $templates) => $templates
            ->where('templates.teammate_id', $teammate->id)
            ->orWhere('shared_with', SharedWith::Everybody)
            ->orWhere(
                fn (Builder $teams) => $teams->where('shared_with', SharedWith::Team)->whereIn(
                    'team_id', $teammate->teams()->select('teams.id')
                )
            ));
    }

    /**
     * How much of its words people changed before sending, on average; from 0 to 1, null before the first use by hand.
     */
    public function changedShare(): ?float
    {
        return $this->hand_uses === 0 ? null : $this->changed_thousandths / $this->hand_uses / 1000;
    }

    /**
     * The languages, the store's own first.
     *
     * @return Collection<int, TemplateLanguage>
     */
    public function inOrder(): Collection
    {
        return $this->languages->sortBy(
            static fn (TemplateLanguage $in): string => ($in->language === Store::current()->language ? '0' : '1').$in->language
        )->values();
    }

    /**
     * How it begins, for lists: after the greeting, where there is one.
     */
    public function begins(): string
    {
        $text = (string) $this->inOrder()->first()?->text;
        [$first, $rest] = [...explode("\n\n", $text, 2), ''];

        return Str::squish($rest !== '' && mb_strlen($first) < 60 ? $rest : $text);
    }

    /**
     * @return HasMany<TemplateLanguage, $this>
     */
    public function languages(): HasMany
    {
        return $this->hasMany(TemplateLanguage::class);
    }

    /**
     * @return HasMany<TemplateFile, $this>
     */
    public function files(): HasMany
    {
        return $this->hasMany(TemplateFile::class);
    }

    /**
     * @return BelongsToMany<Category, $this>
     */
    public function categories(): BelongsToMany
    {
        return $this->belongsToMany(Category::class, 'template_categories');
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function teammate(): BelongsTo
    {
        return $this->belongsTo(Teammate::class);
    }

    /**
     * @return BelongsTo<Team, $this>
     */
    public function team(): BelongsTo
    {
        return $this->belongsTo(Team::class);
    }

    /**
     * One that somebody can answer with, with what is needed for it.
     *
     * @param  callable(): Throwable  $gone
     */
    public static function usableBy(Teammate $teammate, int $id, callable $gone): self
    {
        return self::seenBy($teammate)->whereNull('retired_at')->with(['languages', 'files'])->find($id) ?? throw $gone();
    }

    protected function casts(): array
    {
        return [
            'shared_with' => SharedWith::class,
            'steps' => 'array',
            'last_used_at' => 'immutable_datetime',
            'retired_at' => 'immutable_datetime',
            'created_at' => 'immutable_datetime',
            'updated_at' => 'immutable_datetime',
        ];
    }
}
