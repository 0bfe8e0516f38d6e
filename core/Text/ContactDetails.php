<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Finds links and email addresses, which some marketplaces forbid in answers.
 */
final class ContactDetails
{
    private const LINK = '#(?:https?://|www\.)\S+#iu';

    private const EMAIL = '#[^\s<>()",;:]+@[^\s<>()",;:@]+\.[\pL]{2,}#u';

    /** A host without anything before it, with an end that is a place for shops. */
    private const HOST = '#(?<![\pL\pN@.-])(?:[\pL\pN-]+\.)+(?:com|net|org|eu|dk|de|se|no|fi|fr|nl|uk|example|shop|store)'
        .'(?![\pL\pN-])(?:/\S*)?#iu';

    /**
     * @param  string  $text  UTF-8
     * @return list<string> as they stand in the text, without the full stop after them, each once, in order of place
     */
    public static function in(string $text): array
    {
        $text = mb_scrub($text, 'UTF-8');
        $found = [];
        foreach ([self::LINK, self::EMAIL, self::HOST] as $pattern) {
            preg_match_all($pattern, $text, $matches, PREG_OFFSET_CAPTURE);
            foreach ($matches[0] as [$match, $place]) {
                $plain = rtrim($match, '.,;:!?)');
                if (array_filter($found, static fn (string $earlier): bool => str_contains($earlier, $plain)) === []) {
                    $found[$place] = $plain;
                }
            }
        }
        ksort($found);

        return array_values($found);
    }
}
