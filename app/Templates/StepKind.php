<?php

declare(strict_types=1);

namespace App\Templates;

/**
 * What can go along with an answer.
 */
enum StepKind: string
{
    case Then = 'then';
    case Hold = 'hold';
    case Category = 'category';
    case Priority = 'priority';
    case Owner = 'owner';
    case Team = 'team';
    case Tag = 'tag';
    case Untag = 'untag';
    case Field = 'field';
    case Checklist = 'checklist';
    case Nudge = 'nudge';
    case Cc = 'cc';
    case Bcc = 'bcc';

    public function label(): string
    {
        return match ($this) {
            self::Then => 'State afterwards',
            self::Hold => 'Hold for working hours',
            self::Category => 'Category',
            self::Priority => 'Priority',
            self::Owner => 'Owner',
            self::Team => 'Team',
            self::Tag => 'Add a tag',
            self::Untag => 'Take a tag away',
            self::Field => 'Own field',
            self::Checklist => 'Start a checklist',
            self::Nudge => 'Remind with the nudge plan',
            self::Cc => 'Cc',
            self::Bcc => 'Bcc',
        };
    }

    /**
     * Whether a second one takes the place of the first.
     */
    public function setsOneValue(): bool
    {
        return match ($this) {
            self::Tag, self::Untag, self::Field, self::Checklist, self::Cc, self::Bcc => false,
            default => true,
        };
    }

    /**
     * What belongs to the form of the answer and is shown there, not among the other steps.
     */
    public function isOfTheForm(): bool
    {
        return $this === self::Then || $this === self::Cc || $this === self::Bcc;
    }
}
