<?php

declare(strict_types=1);

namespace Cairnfield\Core\Templates;

/**
 * In which of its languages a template answers.
 */
final readonly class LanguageChoice
{
    private function __construct(public string $language, public bool $isWanted) {}

    /**
     * The wanted language; without it a relative (`pt` for `pt-BR`, or the other way round), then the usual
     * one of the store, then the first there is.
     *
     * @param  non-empty-list<string>  $there  languages as BCP 47 has them
     * @param  string|null  $wanted  null where it is not known: then the usual one is right
     */
    public static function of(array $there, ?string $wanted, string $usual): self
    {
        foreach ([$wanted ?? $usual, $usual] as $index => $language) {
            foreach ([static fn (string $one): string => strtolower($one), self::base(...)] as $form) {
                foreach ($there as $one) {
                    if ($form($one) === $form($language)) {
                        return new self($one, $index === 0);
                    }
                }
            }
        }

        return new self($there[0], false);
    }

    private static function base(string $language): string
    {
        return strtolower((string) strtok($language, '-_'));
    }
}
