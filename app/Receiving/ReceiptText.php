<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Store\Store;

/**
 * What a receipt says, in the language of what was written. Nothing of it comes from who wrote.
 */
final class ReceiptText
{
    private const TEXTS = [
        'en' => [
            'Your message to us', 'Hello,',
            'your message has arrived, and somebody will read it soon. Its number is %s; you can answer to this mail if you '
                .'want to add anything. If you have not written to us, somebody has given your address by mistake: then you need '
                .'do nothing.',
        ],
        'de' => [
            'Ihre Nachricht an uns', 'Guten Tag,',
            'Ihre Nachricht ist angekommen, und bald liest sie jemand. Sie hat die Nummer %s; wenn Sie etwas hinzufügen '
                .'möchten, antworten Sie einfach auf diese Mail. Falls Sie uns nicht geschrieben haben, hat jemand Ihre Adresse '
                .'versehentlich angegeben: Dann müssen Sie nichts tun.',
        ],
        'da' => [
            'Din besked til os', 'Hej,',
            'din besked er kommet frem, og nogen læser den snart. Den har nummer %s; du kan svare på denne mail, hvis du '
                .'vil tilføje noget. Har du ikke skrevet til os, har nogen opgivet din adresse ved en fejl: Så skal du ikke gøre '
                .'noget.',
        ],
        'sv' => [
            'Ditt meddelande till oss', 'Hej,',
            'ditt meddelande har kommit fram, och någon läser det snart. Det har nummer %s; du kan svara på det här mejlet '
                .'om du vill lägga till något. Har du inte skrivit till oss har någon angett din adress av misstag: då behöver '
                .'du inte göra något.',
        ],
        'nl' => [
            'Uw bericht aan ons', 'Hallo,',
            'uw bericht is aangekomen en wordt binnenkort gelezen. Het heeft nummer %s; u kunt op deze mail antwoorden als '
                .'u iets wilt toevoegen. Hebt u ons niet geschreven, dan heeft iemand per ongeluk uw adres opgegeven: u hoeft '
                .'dan niets te doen.',
        ],
        'fr' => [
            'Votre message', 'Bonjour,',
            'votre message est bien arrivé et sera lu prochainement. Il porte le numéro %s ; vous pouvez répondre à ce '
                .'courriel pour ajouter quelque chose. Si vous ne nous avez pas écrit, quelqu’un a donné votre adresse par '
                .'erreur : vous n’avez alors rien à faire.',
        ],
    ];

    public static function subject(string $language): string
    {
        return self::of($language)[0];
    }

    /**
     * @param  string  $number  of the conversation, as it is shown
     * @param  string  $opening  whether somebody is there, and when again; may be empty
     */
    public static function text(string $language, string $number, string $opening): string
    {
        [, $hello, $text] = self::of($language);

        return "{$hello}\n\n".sprintf($text, $number).($opening === '' ? '' : "\n\n{$opening}");
    }

    /**
     * The language that it is written in, where somebody's is asked for.
     */
    public static function language(string $language): string
    {
        foreach ([$language, Store::current()->language] as $one) {
            if (isset(self::TEXTS[$one])) {
                return $one;
            }
        }

        return 'en';
    }

    /**
     * @return array{string, string, string}
     */
    private static function of(string $language): array
    {
        return self::TEXTS[self::language($language)];
    }
}
