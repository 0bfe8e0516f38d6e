<?php

declare(strict_types=1);

namespace App\Templates;

use App\Conversations\Changes\Changes;
use App\Conversations\Changes\ChangeUse;
use App\Support\ChangedMeanwhile;
use App\Support\Refused;
use Cairnfield\Core\Templates\TemplateRefused;
use Locale;

/**
 * Why a template cannot be kept or used as it is, said to the person who tried it.
 */
final class TemplateProblem extends Refused
{
    public static function withoutName(): self
    {
        return new self('without_name', 'A template needs a name by which it is found.');
    }

    public static function withoutText(): self
    {
        return new self('without_text', 'A template needs a text in at least one language, or steps that go with an answer.');
    }

    public static function text(string $language, TemplateRefused $why): self
    {
        [$line, $column] = explode(':', $why->at());
        $name = Locale::getDisplayLanguage($language, 'en');

        return new self('text', "{$name}, line {$line}, character {$column}: {$why->getMessage()}");
    }

    public static function unknownPlaceholder(string $language, string $name, string $at, ?string $meant): self
    {
        [$line, $column] = explode(':', $at);

        return new self('unknown_placeholder',
            Locale::getDisplayLanguage($language, 'en').", line {$line}, character {$column}: there is no placeholder {{ {$name} }}.".(
                $meant === null ? ' All that there are stand beside the text.' : " Is {{ {$meant} }} meant?"
            )
        );
    }

    public static function noLanguage(string $written): self
    {
        return new self('no_language', "“{$written}” is no language. Write its tag, such as en, da or pt-BR.");
    }

    public static function noStep(string $do): self
    {
        return new self('no_step',
            "“{$do}” is nothing that can go with an answer. There are: ".implode(', ', [
                ...array_keys(app(Changes::class)->offeredTo(ChangeUse::Step)), ...array_column(AnswerPart::cases(), 'value'),
            ]).'.'
        );
    }

    public static function stepWithout(string $step, string $what): self
    {
        return new self('step_without', "{$step}: {$what}");
    }

    /**
     * @param  string  $why  in sentences
     */
    public static function notKept(string $why): self
    {
        return new self('not_kept', $why);
    }

    public static function withoutLanguage(): self
    {
        return new self('without_language', 'A text has no language. Choose it, or take the text away.');
    }

    public static function languageTwice(string $language): self
    {
        return new self('language_twice', "There are two texts in {$language}. Take one away, or choose another language for it.");
    }

    public static function subjectAlone(string $language): self
    {
        return new self('subject_alone', "There is a subject in {$language}, but no text. Write the text, or take the subject away.");
    }

    public static function notForEverybody(): self
    {
        return new self('not_for_everybody', 'Choose who sees it: you, or a team of yours.');
    }

    public static function changedMeanwhile(?string $who, ?string $what): self
    {
        return new self('changed_meanwhile', ChangedMeanwhile::said($who, $what));
    }

    public static function noTeam(): self
    {
        return new self('no_team', 'Choose which team it is for.');
    }

    public static function inFile(string $what): self
    {
        return new self('in_file', $what);
    }
}
