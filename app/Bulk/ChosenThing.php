<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Fields\About;
use App\Fields\OwnField;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Sorting\Tag;
use App\Team\Team;
use App\Team\Teammate;
use App\Templates\Template;

/**
 * What a change is to set, looked up when it is planned and again when it is made: it may have gone in between.
 */
final class ChosenThing
{
    /**
     * @throws BulkRefused
     */
    public static function person(int $id): Teammate
    {
        return Teammate::query()->where('may_sign_in', true)->find($id) ?? throw BulkRefused::gone('person');
    }

    /**
     * @throws BulkRefused
     */
    public static function team(int $id): Team
    {
        return Team::query()->find($id) ?? throw BulkRefused::gone('team');
    }

    /**
     * @throws BulkRefused
     */
    public static function category(int $id): Category
    {
        return Category::inUse()->find($id) ?? throw BulkRefused::gone('category');
    }

    /**
     * @throws BulkRefused
     */
    public static function tag(int $id): Tag
    {
        return Tag::query()->find($id) ?? throw BulkRefused::gone('tag');
    }

    /**
     * @throws BulkRefused
     */
    public static function field(int $id): OwnField
    {
        return OwnField::inUse()->where('about', About::Conversation)->find($id) ?? throw BulkRefused::gone('field');
    }

    /**
     * @throws BulkRefused
     */
    public static function outcome(int $id): Outcome
    {
        return Outcome::inUse()->find($id) ?? throw BulkRefused::gone('outcome');
    }

    /**
     * @throws BulkRefused
     */
    public static function template(int $id, Teammate $teammate): Template
    {
        return Template::seenBy($teammate)
            ->whereNull('retired_at')
            ->with(['languages', 'files'])
            ->find($id) ?? throw BulkRefused::gone('template');
    }
}
