<?php

declare(strict_types=1);

namespace App\Ratings;

/**
 * What customers read when they are asked how it went, in their language where it is one of these.
 */
final readonly class RatingWords
{
    private const WORDS = [
        'en' => [
            'How did we do?', 'About “%s”', 'bad', 'good', 'Anything you would like to add?', 'Send', 'Thank you.',
            'It has arrived. You can change it here whenever you like.', 'Please choose from one to five stars.', '%d of 5 stars',
        ],
        'da' => [
            'Hvordan klarede vi det?', 'Om “%s”', 'dårligt', 'godt', 'Er der noget, du vil tilføje?', 'Send', 'Mange tak.',
            'Din bedømmelse er kommet frem. Du kan ændre den her, når du vil.', 'Vælg fra én til fem stjerner.', '%d af 5 stjerner',
        ],
        'sv' => [
            'Hur klarade vi det?', 'Om ”%s”', 'dåligt', 'bra', 'Är det något du vill lägga till?', 'Skicka', 'Tack.',
            'Ditt betyg har kommit fram. Du kan ändra det här när du vill.', 'Välj en till fem stjärnor.', '%d av 5 stjärnor',
        ],
        'nb' => [
            'Hvordan gikk det?', 'Om «%s»', 'dårlig', 'bra', 'Er det noe du vil legge til?', 'Send', 'Tusen takk.',
            'Vurderingen er kommet fram. Du kan endre den her når du vil.', 'Velg fra én til fem stjerner.', '%d av 5 stjerner',
        ],
        'de' => [
            'Wie waren wir?', 'Zu „%s“', 'schlecht', 'gut', 'Möchten Sie noch etwas dazu sagen?', 'Senden', 'Vielen Dank.',
            'Ihre Bewertung ist angekommen. Sie können sie hier jederzeit ändern.', 'Bitte wählen Sie einen bis fünf Sterne.',
            '%d von 5 Sternen',
        ],
        'fr' => [
            'Comment cela s’est-il passé ?', 'Au sujet de « %s »', 'mal', 'bien', 'Souhaitez-vous ajouter quelque chose ?',
            'Envoyer', 'Merci.', 'Votre avis est arrivé. Vous pouvez le modifier ici quand vous voulez.',
            'Choisissez de une à cinq étoiles.', '%d étoiles sur 5',
        ],
        'lv' => [
            'Kā mums veicās?', 'Par “%s”', 'slikti', 'labi', 'Vai vēlaties ko piebilst?', 'Sūtīt', 'Paldies.',
            'Jūsu vērtējums ir saņemts. Jūs varat to šeit mainīt jebkurā laikā.',
            'Lūdzu, izvēlieties no vienas līdz piecām zvaigznēm.', '%d no 5 zvaigznēm',
        ],
    ];

    private function __construct(
        public string $language,
        public string $question,
        public string $about,
        public string $bad,
        public string $good,
        public string $comment,
        public string $send,
        public string $thanks,
        public string $arrived,
        public string $choose,
        public string $stars,
    ) {}

    public static function in(?string $language): self
    {
        $language = isset(self::WORDS[$language]) ? (string) $language : 'en';

        return new self($language, ...self::WORDS[$language]);
    }
}
