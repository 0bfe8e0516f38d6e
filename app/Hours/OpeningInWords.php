<?php

declare(strict_types=1);

namespace App\Hours;

use DateTimeInterface;
use IntlDateFormatter;
use IntlDatePatternGenerator;

/**
 * Tells a customer whether somebody is there, and when again, in their language and the store's time.
 */
final class OpeningInWords
{
    /** While it is open, with the time at which it closes; while it is closed, with when it opens. */
    private const SENTENCES = [
        'en' => ['Somebody is here today until %s.', 'Nobody is here just now; we are back on %s.'],
        'de' => ['Heute ist bis %s Uhr jemand da.', 'Gerade ist niemand da; wir sind am %s Uhr wieder da.'],
        'da' => ['Der er nogen i dag til kl. %s.', 'Der er ingen lige nu; vi er her igen %s.'],
        'sv' => ['Någon är här i dag till kl. %s.', 'Ingen är här just nu; vi är tillbaka %s.'],
        'nl' => ['Vandaag is er iemand tot %s uur.', 'Er is nu niemand; we zijn er weer op %s uur.'],
        'fr' => ['Quelqu’un est là aujourd’hui jusqu’à %s.', 'Il n’y a personne en ce moment ; nous serons de retour %s.'],
    ];

    /**
     * @param  string  $language  ISO 639-1; English where it has no words of its own
     * @return string empty where it never opens, or never closes
     */
    public static function sentence(StoreHours $hours, string $language, DateTimeInterface $now): string
    {
        $language = isset(self::SENTENCES[$language]) ? $language : 'en';
        [$open, $closed] = self::SENTENCES[$language];
        if ($hours->isOpen($now)) {
            $closes = $hours->closesAt($now);

            return $closes === null ? '' : sprintf($open, self::time($closes, 'Hm', $language, $hours->timeZone));
        }
        $opens = $hours->opensAt($now);

        return $opens === null ? '' : sprintf($closed, self::time($opens, 'EEEEdMMMMHm', $language, $hours->timeZone));
    }

    private static function time(DateTimeInterface $at, string $skeleton, string $language, string $zone): string
    {
        $pattern = IntlDatePatternGenerator::create($language)?->getBestPattern($skeleton);
        $formatter = new IntlDateFormatter($language, IntlDateFormatter::NONE, IntlDateFormatter::NONE, $zone, null, (string) $pattern);

        return (string) $formatter->format($at);
    }
}
