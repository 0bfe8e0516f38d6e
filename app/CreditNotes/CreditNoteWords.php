<?php

declare(strict_types=1);

namespace App\CreditNotes;

/**
 * The words of a credit note, in the customer's language where it is one of these.
 */
final readonly class CreditNoteWords
{
    private const WORDS = [
        'en' => [
            'Credit note', 'Correction of', 'In place of', 'Date', 'Order', 'of', 'To', 'Item', 'Quantity', 'Net', 'Tax', 'Amount',
            'Delivery',
            'Taken off at the inspection', 'Fee', 'Return label', 'Goodwill', 'Tax rate', 'Total', 'Goes back to',
        ],
        'da' => [
            'Kreditnota', 'Rettelse af', 'I stedet for', 'Dato', 'Ordre', 'af', 'Til', 'Vare', 'Antal', 'Netto', 'Moms', 'Beløb',
            'Levering',
            'Fradrag efter gennemgang', 'Gebyr', 'Returlabel', 'Godtgørelse', 'Momssats', 'I alt', 'Tilbagebetales til',
        ],
        'de' => [
            'Gutschrift', 'Berichtigung von', 'An Stelle von', 'Datum', 'Bestellung', 'vom', 'An', 'Artikel', 'Menge', 'Netto', 'Steuer',
            'Betrag',
            'Versand', 'Abzug nach Prüfung', 'Gebühr', 'Rücksendeetikett', 'Kulanz', 'Steuersatz', 'Summe', 'Erstattet auf',
        ],
        'sv' => [
            'Kreditfaktura', 'Rättelse av', 'I stället för', 'Datum', 'Order', 'från', 'Till', 'Vara', 'Antal', 'Netto', 'Moms',
            'Belopp', 'Frakt',
            'Avdrag efter kontroll', 'Avgift', 'Returetikett', 'Goodwill', 'Momssats', 'Summa', 'Återbetalas till',
        ],
        'nb' => [
            'Kreditnota', 'Retting av', 'I stedet for', 'Dato', 'Ordre', 'av', 'Til', 'Vare', 'Antall', 'Netto', 'Mva.', 'Beløp',
            'Levering',
            'Fradrag etter kontroll', 'Gebyr', 'Returetikett', 'Kulanse', 'Mva.-sats', 'Sum', 'Tilbakebetales til',
        ],
        'fr' => [
            'Avoir', 'Rectification de', 'En remplacement de', 'Date', 'Commande', 'du', 'À', 'Article', 'Quantité', 'HT', 'TVA', 'Montant',
            'Livraison', 'Déduction après contrôle', 'Frais', 'Étiquette de retour', 'Geste commercial', 'Taux de TVA', 'Total',
            'Remboursé sur',
        ],
        'lv' => [
            'Kredītrēķins', 'Labojums rēķinam', 'Aizstāj', 'Datums', 'Pasūtījums', 'no', 'Saņēmējs', 'Prece', 'Daudzums', 'Bez PVN', 'PVN',
            'Summa', 'Piegāde', 'Atskaitījums pēc pārbaudes', 'Maksa', 'Atgriešanas etiķete', 'Kompensācija', 'PVN likme', 'Kopā',
            'Atmaksāts uz',
        ],
    ];

    private function __construct(
        public string $language, public string $title, public string $correctionOf, public string $inPlaceOf, public string $date,
        public string $order, public string $of, public string $to, public string $item, public string $quantity, public string $net,
        public string $tax, public string $amount, public string $delivery, public string $deduction, public string $fee,
        public string $label, public string $goodwill, public string $rate, public string $total, public string $goesBackTo
    ) {}

    public static function in(string $language): self
    {
        $known = isset(self::WORDS[$language]) ? $language : 'en';

        return new self($known, ...self::WORDS[$known]);
    }
}
