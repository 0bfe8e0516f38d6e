<?php

declare(strict_types=1);

namespace App\Templates;

use Cairnfield\Core\Templates\Gap;

/**
 * A template as it would go into an answer of one conversation.
 */
final readonly class FilledTemplate
{
    /**
     * @param  string|null  $html  the same as rich text
     * @param  list<Gap>  $gaps  what could not be filled
     * @param  bool  $isWantedLanguage  whether it is the language of the conversation
     * @param  list<Step>  $steps
     * @param  list<string>  $problems  steps that are no longer possible
     */
    public function __construct(
        public Template $template,
        public string $language,
        public bool $isWantedLanguage,
        public ?string $wantedLanguage,
        public ?string $subject,
        public string $text,
        public ?string $html,
        public array $gaps,
        public array $steps,
        public array $problems,
    ) {}
}
