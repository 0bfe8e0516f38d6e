<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * The templates that were used most on conversations like one, from what was sent before: naive Bayes over
 * category, channel and the words of the message, with what weighed most as the reason. What is known of a template
 * that was used a few times is drawn towards what is known of all (a Dirichlet prior on the rates of all), so that
 * little says little. Only what is likelier here than anywhere is suggested; rather fewer than three than a guess.
 */
final readonly class Suggestions
{
    private const MOST = 3;

    /** Used less often, it says nothing yet. */
    private const LEAST_USES = 2;

    /** One word alone can be chance. */
    private const MOST_OF_A_WORD = 2.0;

    /** With a template once, a word is chance as well. */
    private const LEAST_OF_A_WORD = 2;

    /** Where it was never used in the category, its words must make it nearly three times as likely. */
    private const WORDS_ALONE = 1.0;

    /** As if so many more had been answered without any template, about other things. */
    private const WITHOUT_TEMPLATE = 10;

    private const SMOOTHING = 0.5;

    /** So many uses the rate of all templates counts as. */
    private const PRIOR_USES = 1.0;

    private const SHOWN_WORDS = 3;

    /**
     * @param  list<TemplateHabit>  $habits
     * @return list<Suggestion> at most three, the likeliest first
     */
    public static function of(Situation $situation, array $habits): array
    {
        $habits = array_values(array_filter($habits, static fn (TemplateHabit $habit): bool => $habit->uses >= self::LEAST_USES));
        $all = array_sum(array_map(static fn (TemplateHabit $habit): int => $habit->uses, $habits));
        $together = static fn (callable $count): int => array_sum(array_map($count, $habits));
        $inCategoryAll = $together(static fn (TemplateHabit $habit): int => $habit->byCategory[$situation->category ?? 0] ?? 0);
        $onChannelAll = $together(static fn (TemplateHabit $habit): int => $habit->byChannel[$situation->channel] ?? 0);
        $withWordAll = [];
        foreach ($situation->words as $word) {
            $withWordAll[$word] = $together(static fn (TemplateHabit $habit): int => $habit->byWord[$word] ?? 0);
        }
        $suggestions = [];
        foreach ($habits as $habit) {
            $category = $situation->category === null
                ? 0.0
                : self::lift($habit->byCategory[$situation->category] ?? 0, $habit->uses, $inCategoryAll, $all);
            $channel = self::lift($habit->byChannel[$situation->channel] ?? 0, $habit->uses, $onChannelAll, $all);
            $words = [];
            foreach ($withWordAll as $word => $withWord) {
                if (($habit->byWord[$word] ?? 0) >= self::LEAST_OF_A_WORD) {
                    $words[$word] = min(self::MOST_OF_A_WORD, self::lift($habit->byWord[$word], $habit->uses, $withWord, $all));
                }
            }
            $forIt = array_filter($words, static fn (float $lift): bool => $lift > 0.1);
            arsort($forIt);
            $inCategory = $situation->category === null ? 0 : $habit->byCategory[$situation->category] ?? 0;
            $likelier = $category + array_sum($words);
            // What was used often but never on anything like this is no suggestion, by whatever way it came; nor is one
            // word of a matter that is sorted under something else.
            $isByWords = count($forIt) >= ($situation->category === null ? 1 : 2) && array_sum($words) >= self::WORDS_ALONE;
            if ($likelier <= 0.0 || ($inCategory === 0 && ! $isByWords)) {
                continue;
            }
            $weight = log($habit->uses / $all) + $channel + $likelier;
            $suggestions[] = new Suggestion(
                $habit->template, $weight, $habit->uses, $inCategory,
                array_map(strval(...), array_slice(array_keys($forIt), 0, self::SHOWN_WORDS))
            );
        }
        usort(
            $suggestions,
            static fn (Suggestion $one, Suggestion $other): int => [$other->weight, $one->template] <=> [$one->weight, $other->template]
        );

        return array_slice($suggestions, 0, self::MOST);
    }

    /**
     * How much likelier something is with one template than with all: the logarithm of the ratio.
     *
     * @param  int  $count  uses of the template with it
     * @param  int  $uses  of the template
     * @param  int  $countOfAll  uses of any template with it
     * @param  int  $all  uses of any template
     */
    private static function lift(int $count, int $uses, int $countOfAll, int $all): float
    {
        $anywhere = ($countOfAll + self::SMOOTHING) / ($all + self::WITHOUT_TEMPLATE);
        $here = ($count + self::PRIOR_USES * $anywhere) / ($uses + self::PRIOR_USES);

        return log($here / $anywhere);
    }
}
