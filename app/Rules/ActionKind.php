<?php

declare(strict_types=1);

namespace App\Rules;

/**
 * What a rule can do. Named as the core's plan names them.
 */
enum ActionKind: string
{
    case SetPriority = 'set_priority';
    case SetCategory = 'set_category';
    case SetState = 'set_status';
    case SetLanguage = 'set_language';
    case AssignPerson = 'assign_person';
    case AssignTeam = 'assign_team';
    case AddTag = 'add_tag';
    case RemoveTag = 'remove_tag';
    case SetField = 'set_field';
    case Answer = 'answer';
    case AskRating = 'ask_rating';
    case AskApproval = 'ask_approval';
    case Note = 'note';
    case Tell = 'tell';
    case Checklist = 'checklist';
    case Task = 'task';
    case Nudge = 'nudge';
    case CallHook = 'call_hook';
    case Stop = 'stop';

    public function label(): string
    {
        return match ($this) {
            self::SetPriority => 'set the priority to',
            self::SetCategory => 'set the category to',
            self::SetState => 'make it',
            self::SetLanguage => 'set the language to',
            self::AssignPerson => 'give it to',
            self::AssignTeam => 'give it to the team',
            self::AddTag => 'add the tag',
            self::RemoveTag => 'take away the tag',
            self::SetField => 'set the field',
            self::Answer => 'answer with',
            self::AskRating => 'ask for a rating with',
            self::AskApproval => 'ask for the approval of',
            self::Note => 'write the note',
            self::Tell => 'tell',
            self::Checklist => 'start the checklist',
            self::Task => 'make a task for',
            self::Nudge => 'remind with the nudge plan',
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
            self::AddTag, self::RemoveTag => 'the tag',
            self::SetField => 'the value',
            self::Note => 'what the note says; {{ placeholders }} are filled',
            self::Tell => 'what they are told',
            self::AskApproval => 'what is to be approved',
            self::Task => 'what is to be done',
            self::SetState => 'why, where it is held',
            default => null,
        };
    }

    public function hasChoices(): bool
    {
        return ! in_array($this, [self::AddTag, self::RemoveTag, self::Note, self::Stop], true);
    }

    /**
     * Whether it answers the customer, as a person and with a template.
     */
    public function answers(): bool
    {
        return $this === self::Answer || $this === self::AskRating;
    }

    public function takesHours(): bool
    {
        return $this === self::Task || $this === self::SetState;
    }

    /**
     * The events that it brings about, for finding circles.
     *
     * @return list<RuleEvent>
     */
    public function causes(): array
    {
        return match ($this) {
            self::SetPriority => [RuleEvent::PriorityChanged],
            self::SetCategory => [RuleEvent::CategoryChanged],
            self::SetState => [RuleEvent::StateChanged],
            self::AssignPerson => [RuleEvent::OwnerChanged],
            self::AssignTeam => [RuleEvent::TeamChanged],
            self::AddTag, self::RemoveTag => [RuleEvent::TagsChanged],
            self::SetField => [RuleEvent::FieldSet],
            self::Answer => [RuleEvent::TeamAnswered, RuleEvent::StateChanged],
            self::AskRating => [RuleEvent::TeamAnswered],
            self::AskApproval => [RuleEvent::StateChanged],
            self::Note => [RuleEvent::Noted],
            self::SetLanguage, self::Tell, self::Checklist, self::Task, self::Nudge, self::CallHook, self::Stop => [],
        };
    }
}
