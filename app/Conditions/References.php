<?php

declare(strict_types=1);

namespace App\Conditions;

use App\Channels\Account;
use App\Companies\Company;
use App\Conversations\Changes\Reference;
use App\Customers\CustomerGroup;
use App\Fields\OwnField;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Sorting\Tag;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Rules\Condition;

/**
 * What a condition needs to be there: what it compares with, and the fields of the store's own that it asks for.
 */
final class References
{
    private const CLASSES = [
        'owner' => Teammate::class, 'team' => Team::class, 'category' => Category::class, 'outcome' => Outcome::class,
        'account' => Account::class, 'tags' => Tag::class, 'customer_group' => CustomerGroup::class, 'company' => Company::class,
    ];

    /**
     * @return list<Reference>
     */
    public static function of(Condition $condition): array
    {
        $references = [];
        foreach ($condition->leaves() as $leaf) {
            $own = OwnValueField::named($leaf->field);
            if ($own !== null) {
                $references[] = new Reference(OwnField::class, $own);
            }
            $class = self::CLASSES[$leaf->field] ?? null;
            foreach ($class === null ? [] : (array) $leaf->value as $value) {
                array_push($references, ...Reference::toNumber($class, is_scalar($value) ? (string) $value : ''));
            }
        }

        return $references;
    }
}
