<?php

declare(strict_types=1);

namespace App\Templates;

/**
 * What a template says of the answer itself, beside what it changes of the conversation.
 */
enum AnswerPart: string
{
    case Then = 'then';
    case Hold = 'hold';
    case Cc = 'cc';
    case Bcc = 'bcc';

    public function label(): string
    {
        return match ($this) {
            self::Then => 'State afterwards',
            self::Hold => 'Hold for working hours',
            self::Cc => 'Cc',
            self::Bcc => 'Bcc',
        };
    }

    /**
     * Whether a second one takes the place of the first.
     */
    public function setsOneValue(): bool
    {
        return $this === self::Then || $this === self::Hold;
    }

    /**
     * What belongs to the form of the answer and is shown there, not among the other steps.
     */
    public function isOfTheForm(): bool
    {
        return $this !== self::Hold;
    }
}
