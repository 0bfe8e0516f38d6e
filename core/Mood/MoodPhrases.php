<?php

declare(strict_types=1);

namespace Cairnfield\Core\Mood;

/**
 * The phrases of one language by which a mood is told, as patterns.
 */
final class MoodPhrases
{
    /** Scripts that put no spaces between words. */
    private const NO_SPACES = '/[\p{Han}\p{Hiragana}\p{Katakana}]/u';

    /**
     * @var array<string, array{upset: list<string>, uneasy: list<string>, pleased: list<string>, denials: list<string>,
     *   wishes: list<string>}>|null by language
     */
    private static ?array $all = null;

    private function __construct(
        public readonly string $upset, public readonly string $uneasy, public readonly string $pleased,
        public readonly string $denials, public readonly string $wishes
    ) {}

    /**
     * @param  string|null  $language  ISO 639-1; null for all
     * @return list<self> none for a language whose phrases are not known
     */
    public static function of(?string $language): array
    {
        /** @var array<string, self> $made */
        static $made = [];
        $all = self::$all ??= self::read();
        $language = $language === 'no' || $language === 'nn' ? 'nb' : $language;
        $phrases = [];
        foreach ($language === null ? array_keys($all) : array_intersect([$language], array_keys($all)) as $one) {
            $phrases[] = $made[$one] ??= new self(
                self::pattern($all[$one]['upset']), self::pattern($all[$one]['uneasy']), self::pattern($all[$one]['pleased']),
                self::before($all[$one]['denials']), self::before($all[$one]['wishes'])
            );
        }

        return $phrases;
    }

    /**
     * @return array<string, array{upset: list<string>, uneasy: list<string>, pleased: list<string>, denials: list<string>,
     *   wishes: list<string>}>
     */
    private static function read(): array
    {
        /**
         * @var array<string, array{upset: list<string>, uneasy: list<string>, pleased: list<string>, denials: list<string>,
         *   wishes: list<string>}>
         */
        return require __DIR__.'/data/phrases.php';
    }

    /**
     * @param  list<string>  $words
     */
    private static function before(array $words): string
    {
        return implode('|', array_map(static fn (string $word): string => preg_quote($word, '/'), $words));
    }

    /**
     * @param  list<string>  $phrases  a star at the end stands for any ending of the word
     */
    private static function pattern(array $phrases): string
    {
        // The longest first: it says most.
        usort($phrases, static fn (string $one, string $other): int => strlen($other) <=> strlen($one));

        return $phrases === [] ? '' : '/'.implode('|', array_map(static function (string $phrase): string {
            $pattern = str_replace(['\*', ' '], ['\p{L}*', '\s+'], preg_quote($phrase, '/'));

            return preg_match(self::NO_SPACES, $phrase) === 1 ? $pattern : "(?<![\\pL\\pN]){$pattern}(?![\\pL\\pN])";
        }, $phrases)).'/iu';
    }
}
