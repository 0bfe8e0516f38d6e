<?php

declare(strict_types=1);

namespace App\Rules;

/**
 * What only rules do, beside the changes of the catalogue (`Conversations\Changes`).
 */
enum ActionKind: string
{
    case Answer = 'answer';
    case AskRating = 'ask_rating';
    case AskApproval = 'ask_approval';
    case GiveBack = 'give_back';
    case AskGiveBack = 'ask_give_back';
    case Note = 'note';
    case Tell = 'tell';
    case Task = 'task';
    case CallHook = 'call_hook';
    case Stop = 'stop';

    public function label(): string
    {
        return match ($this) {
            self::Answer => 'answer with',
            self::AskRating => 'ask for a rating with',
            self::AskApproval => 'ask for the approval of',
            self::GiveBack => 'give back',
            self::AskGiveBack => 'ask for the approval to give back',
            self::Note => 'write the note',
            self::Tell => 'tell',
            self::Task => 'make a task for',
            self::CallHook => 'tell the webhook',
            self::Stop => 'stop: no further rules',
        };
    }

    /**
     * What is written beside the choice; null where nothing is.
     */
    public function text(): ?string
    {
        return match ($this) {
            self::Note => 'what the note says; {{ placeholders }} are filled',
            self::Tell => 'what they are told',
            self::AskApproval => 'what is to be approved',
            self::GiveBack, self::AskGiveBack => 'at most, such as 9.00 EUR, 67.00 DKK',
            self::Task => 'what is to be done',
            default => null,
        };
    }

    public function hasChoices(): bool
    {
        return $this !== self::Note && $this !== self::Stop;
    }

    /**
     * Whether it answers the customer, as a person and with a template.
     */
    public function answers(): bool
    {
        return $this === self::Answer || $this === self::AskRating;
    }

    /**
     * Whether it is done in the name of a person.
     */
    public function takesPerson(): bool
    {
        return $this->isOfMoney();
    }

    public function isOfMoney(): bool
    {
        return $this === self::GiveBack || $this === self::AskGiveBack;
    }

    public function takesHours(): bool
    {
        return $this === self::Task;
    }

    /**
     * The events that it brings about, for finding circles.
     *
     * @return list<RuleEvent>
     */
    public function causes(): array
    {
        return match ($this) {
            self::Answer => [RuleEvent::TeamAnswered, RuleEvent::StateChanged],
            self::AskRating => [RuleEvent::TeamAnswered],
            self::AskApproval, self::AskGiveBack => [RuleEvent::StateChanged],
            self::GiveBack => [RuleEvent::RefundAsked, RuleEvent::StateChanged],
            self::Note => [RuleEvent::Noted],
            self::Tell, self::Task, self::CallHook, self::Stop => [],
        };
    }
}
