<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * What changes name, each kind read once however many are shown.
 */
final class ThingsInUse
{
    /** @var array<class-string<Model>, Collection<int, Model>> */
    private array $read = [];

    /**
     * @template T of Model
     *
     * @param  Builder<T>  $inUse  all of its kind that can be chosen
     * @return T|null
     */
    public function one(Builder $inUse, string $id): ?Model
    {
        return ctype_digit($id) ? $this->all($inUse)->find((int) $id) : null;
    }

    /**
     * @template T of Model
     *
     * @param  Builder<T>  $inUse
     * @return Collection<int, T>
     */
    public function all(Builder $inUse): Collection
    {
        /** @var Collection<int, T> */
        return $this->read[$inUse->getModel()::class] ??= $inUse->get();
    }
}
