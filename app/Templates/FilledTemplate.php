<?php

declare(strict_types=1);

namespace App\Templates;

use App\Conversations\ConversationState;
use App\Sorting\Outcome;
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

    /**
     * What its steps say of the state afterwards.
     *
     * @return array{ConversationState, Outcome|null} waiting where they say nothing
     */
    public function then(): array
    {
        $then = array_values(
            array_filter($this->steps, static fn (Step $step): bool => $step->part === AnswerPart::Then)
        )[0]->value ?? ConversationState::Waiting->value;
        [$state, $outcome] = [...explode(':', $then, 2), ''];

        return [ConversationState::from($state), $outcome === '' ? null : Outcome::query()->find((int) $outcome)];
    }

    /**
     * Its steps beside what belongs to the form of the answer.
     *
     * @param  string  ...$keys  those to leave out
     * @return list<Step>
     */
    public function stepsBut(string ...$keys): array
    {
        return array_values(
            array_filter(
                $this->steps, static fn (Step $step): bool => $step->part?->isOfTheForm() !== true && ! in_array($step->do, $keys, true)
            )
        );
    }
}
