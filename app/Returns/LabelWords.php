<?php

declare(strict_types=1);

namespace App\Returns;

/**
 * What a customer reads in place of a label, in their language where it is one of these.
 */
final class LabelWords
{
    /** Title, that it is being made, and that it is no longer needed. */
    private const WORDS = [
        'en' => [
            'Your label', 'It is being made. Please open this page again in a few minutes.',
            'It is no longer needed. If you would still like to send something back, please write to us.',
        ],
        'da' => [
            'Din returlabel', 'Den er ved at blive lavet. Åbn siden igen om et par minutter.',
            'Der er ikke længere brug for den. Skriv til os, hvis du stadig vil sende noget tilbage.',
        ],
        'de' => [
            'Ihr Rücksendeetikett', 'Es wird gerade erstellt. Bitte öffnen Sie diese Seite in einigen Minuten noch einmal.',
            'Es wird nicht mehr gebraucht. Schreiben Sie uns bitte, wenn Sie noch etwas zurückschicken möchten.',
        ],
    ];

    /**
     * @return array{string, string, string} language, title, and what is said
     */
    public static function in(?string $language, bool $isComing): array
    {
        $known = isset(self::WORDS[$language]) ? (string) $language : 'en';

        return [$known, self::WORDS[$known][0], self::WORDS[$known][$isComing ? 1 : 2]];
    }
}
