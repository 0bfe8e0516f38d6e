<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Words that say nothing of what a letter is about: hardly one goes without them, whatever the matter.
 */
final class FunctionWords
{
    /** Small words of letters to a store, but what they are about all the same. */
    private const GOODS = 'order parcel pakke pakken bestilling paket beställning bestellung pakket bestelling colis commande paquete '
        .'pedido encomenda pacco ordine paciņa sūtījums pasūtījums siunta užsakymas pakk tellimus paketti tilaus paczka zamówienie '
        .'balík objednávka csomag rendelés colet comanda naročilo narudžba kargo sipariş посылка заказ посилка замовлення пратка '
        .'поръчка пакет поруџбина';

    /** @var array<string, true>|null */
    private static ?array $folded = null;

    /**
     * Whether it is one in any of the languages that are known; few of them mean something in another.
     *
     * @param  string  $word  as Folding leaves it
     */
    public static function has(string $word): bool
    {
        return isset((self::$folded ??= self::read())[$word]);
    }

    /**
     * @return array<string, true>
     */
    private static function read(): array
    {
        $folded = [];
        foreach (['small-words', 'function-words'] as $file) {
            /** @var array<string, string> $byLanguage */
            $byLanguage = require __DIR__."/data/{$file}.php";
            foreach ($byLanguage as $words) {
                $folded += array_fill_keys(array_map(Folding::fold(...), explode(' ', $words)), true);
            }
        }

        return array_diff_key($folded, array_flip(array_map(Folding::fold(...), explode(' ', self::GOODS))));
    }
}
