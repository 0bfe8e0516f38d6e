<?php

declare(strict_types=1);

namespace App\Rules;

use App\Checklists\Checklist;
use App\Fields\About;
use App\Fields\OwnField;
use App\Nudges\NudgePlan;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Team\Team;
use App\Team\Teammate;
use App\Templates\Template;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * What rules name, each kind read once however many rules are shown.
 */
final class ThingsInUse
{
    /** @var array<class-string<Model>, Collection<int, Model>> */
    private array $read = [];

    public function category(string $id): ?Category
    {
        return $this->one(Category::class, Category::inUse(), $id);
    }

    public function outcome(string $id): ?Outcome
    {
        return $this->one(Outcome::class, Outcome::inUse(), $id);
    }

    public function team(string $id): ?Team
    {
        return $this->one(Team::class, Team::query(), $id);
    }

    public function person(string $id): ?Teammate
    {
        return $this->one(Teammate::class, Teammate::query()->where('may_sign_in', true), $id);
    }

    public function checklist(string $id): ?Checklist
    {
        return $this->one(Checklist::class, Checklist::inUse(), $id);
    }

    public function plan(string $id): ?NudgePlan
    {
        return $this->one(NudgePlan::class, NudgePlan::inUse(), $id);
    }

    public function hook(string $id): ?Hook
    {
        return $this->one(Hook::class, Hook::inUse(), $id);
    }

    public function template(string $id): ?Template
    {
        return $this->one(Template::class, Template::query()->whereNull('retired_at'), $id);
    }

    public function field(string $word): ?OwnField
    {
        return $this->all(OwnField::class, OwnField::inUse()->where('about', About::Conversation))->firstWhere('word', $word);
    }

    /**
     * @template T of Model
     *
     * @param  class-string<T>  $class
     * @param  Builder<T>  $query
     * @return T|null
     */
    private function one(string $class, Builder $query, string $id): ?Model
    {
        return $this->all($class, $query)->find((int) $id);
    }

    /**
     * @template T of Model
     *
     * @param  class-string<T>  $class
     * @param  Builder<T>  $query
     * @return Collection<int, T>
     */
    private function all(string $class, Builder $query): Collection
    {
        /** @var Collection<int, T> */
        return $this->read[$class] ??= $query->get();
    }
}
