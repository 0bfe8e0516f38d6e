<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\Eloquent\Model;

/**
 * What all our models are. A page uses some twenty kinds of them: what the framework works out anew for each kind is worked out once,
 * and each names its table.
 */
abstract class Row extends Model
{
    /**
     * The framework adds the key to the casts at each question for one of them. Ours are numbers, and the driver gives them as such.
     *
     * @return array<string, string>
     */
    public function getCasts(): array
    {
        return $this->casts;
    }

    /**
     * The framework looks through all methods of each kind for what its traits begin with. Ours have no such traits of their own
     * (`tests/App/Support/RowTest.php` holds them to it), so what holds for one holds for all.
     */
    protected static function bootTraits(): void
    {
        if (static::class === PlainRow::class) {
            parent::bootTraits();

            return;
        }
        PlainRow::ready();
        static::$traitInitializers[static::class] = static::$traitInitializers[PlainRow::class];
    }
}
