<?php

declare(strict_types=1);

namespace App\Team;

use Illuminate\Support\Facades\DB;

/**
 * What one must be able to do for a category: what is said of it, else of the nearest above it that says anything.
 */
final class NeededSkills
{
    /**
     * @return list<string> as the core's turns name skills
     */
    public function by(?int $category): array
    {
        for ($at = $category; $at !== null; $at = $this->above($at)) {
            $needs = DB::table('category_skill')->where('category_id', $at)->orderBy('skill_id')->pluck('skill_id');
            if ($needs->isNotEmpty()) {
                return array_values($needs->map(static fn (int $id): string => "skill:{$id}")->all());
            }
        }

        return [];
    }

    /**
     * The categories for which somebody lacks a skill.
     *
     * @return list<int>
     */
    public function beyond(Teammate $person): array
    {
        $own = $person->skills->map(static fn (Skill $skill): string => $skill->key())->all();
        if (DB::table('category_skill')->doesntExist()) {
            return [];
        }

        $categories = array_map(intval(...), DB::table('categories')->pluck('id')->all());

        return array_values(array_filter($categories, fn (int $id): bool => array_diff($this->by($id), $own) !== []));
    }

    private function above(int $category): ?int
    {
        $parent = DB::table('categories')->where('id', $category)->value('parent_id');

        return $parent === null ? null : (int) $parent;
    }
}
