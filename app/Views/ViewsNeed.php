<?php

declare(strict_types=1);

namespace App\Views;

use App\Conditions\References;
use App\Conversations\Changes\Need;
use App\Conversations\Changes\NeedsThings;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\RulesRefused;

/**
 * What saved views ask for.
 */
final class ViewsNeed implements NeedsThings
{
    public function needs(): iterable
    {
        foreach (SavedView::query()->with('teammate')->orderBy('name')->get() as $view) {
            $whose = $view->shared_with === SharedWith::Everybody ? '' : " of {$view->teammate->name}";
            try {
                $asks = References::of(Condition::read(json_decode((string) json_encode($view->condition))));
            } catch (RulesRefused) {
                $asks = [];
            }
            yield new Need("the view “{$view->name}”{$whose}", [], $asks);
        }
    }
}
