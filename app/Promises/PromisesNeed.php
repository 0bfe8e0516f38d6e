<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conditions\References;
use App\Conversations\Changes\Need;
use App\Conversations\Changes\NeedsThings;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\RulesRefused;

/**
 * What promise sets ask for.
 */
final class PromisesNeed implements NeedsThings
{
    public function needs(): iterable
    {
        foreach (PromiseSet::inOrder()->get() as $set) {
            try {
                $asks = References::of(Condition::read(json_decode((string) json_encode($set->condition))));
            } catch (RulesRefused) {
                $asks = [];
            }
            yield new Need("the promise set “{$set->name}”", [], $asks);
        }
    }
}
