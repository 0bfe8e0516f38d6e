<?php

declare(strict_types=1);

namespace Cairnfield\Core\Reckon;

use Brick\Math\BigDecimal;
use Cairnfield\Core\Input\BadInput;
use Cairnfield\Core\Input\Fields;
use Cairnfield\Core\Money\Decimal;
use Cairnfield\Core\Signal\Excess;
use Cairnfield\Core\Signal\Item;
use Cairnfield\Core\Signal\ItemExcess;

final class SignalExcess implements Calculation
{
    public function help(): string
    {
        return <<<'HELP'
            Says which of many items have more bad things than their share gives by chance.
              items  [{"id", "units", "bad"}], whole numbers
              level  a decimal string between 0 and 1; left out "0.05"
            Result: {"total_units", "total_bad", "items": [{"id", "expected", "p"}], "found"}
            Errors: bad_input, bad_without_units, no_units
            HELP;
    }

    public function reckon(Fields $case): array
    {
        $items = [];
        foreach ($case->objects('items') as $index => $one) {
            $fields = $one;
            $item = new Item($fields->string('id'), $fields->integer('units'), $fields->integer('bad'));
            foreach (['units' => $item->units, 'bad' => $item->bad] as $name => $number) {
                $number >= 0 || throw BadInput::expected('a whole number from 0', $fields->at($name));
            }
            isset($items[$item->id]) && throw BadInput::expected('an id that no other item has', $fields->at('id'));
            $items[$item->id] = $item;
        }
        $level = $case->has('level') ? Decimal::read($case->string('level'), $case->at('level')) : BigDecimal::of('0.05');
        $level->isPositive() && $level->isLessThan(1) || throw BadInput::expected('a decimal between 0 and 1', $case->at('level'));
        $excess = Excess::of(array_values($items), $level->toFloat());

        return [
            'total_units' => $excess->totalUnits, 'total_bad' => $excess->totalBad,
            'items' => array_map(static fn (ItemExcess $one): array => [
                'id' => $one->item->id, 'expected' => $one->expected, 'p' => $one->shownChance(),
            ], $excess->items), 'found' => $excess->found,
        ];
    }
}
