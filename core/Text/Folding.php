<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

use Normalizer;

/**
 * Makes texts equal that people take for equal: accents, case, width and white space do not matter.
 *
 * In this order: Unicode NFKD; combining marks on a Latin, Greek or Cyrillic letter dropped; NFC;
 * full case folding; NFC; runs of white space (Unicode White_Space) made one space, ends trimmed.
 */
final class Folding
{
    private const WHITE_SPACE = '[\x09-\x0D\x20\x{85}\x{A0}\x{1680}\x{2000}-\x{200A}\x{2028}\x{2029}\x{202F}\x{205F}\x{3000}]';

    /**
     * @param  string  $text  UTF-8; what cannot be read is replaced first
     */
    public static function fold(string $text): string
    {
        if (preg_match('/[^\x00-\x7F]/', $text) !== 1) {
            return trim((string) preg_replace('/[\x09-\x0D\x20]+/', ' ', strtolower($text)), ' ');
        }
        $text = mb_check_encoding($text, 'UTF-8') ? $text : mb_scrub($text, 'UTF-8');
        $bare = (string) preg_replace(
            '/((?=\p{L})[\p{Latin}\p{Greek}\p{Cyrillic}])\p{M}+/u', '$1', self::normal($text, Normalizer::FORM_KD)
        );
        $folded = mb_convert_case(self::normal($bare, Normalizer::FORM_C), MB_CASE_FOLD, 'UTF-8');

        return trim((string) preg_replace('/'.self::WHITE_SPACE.'+/u', ' ', self::normal($folded, Normalizer::FORM_C)), ' ');
    }

    private static function normal(string $text, int $form): string
    {
        $normal = Normalizer::normalize($text, $form);

        return is_string($normal) ? $normal : $text;
    }
}
