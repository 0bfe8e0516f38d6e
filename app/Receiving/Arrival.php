<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Channels\ReceivedMessage;
use Cairnfield\Core\Mood\MoodReading;

/**
 * A received message made ready to be stored: numbers taken out of it, its HTML cleaned, its language told.
 */
final readonly class Arrival
{
    /**
     * @param  string|null  $html  cleaned
     * @param  list<array{kind: string, last4: string}>  $redacted  what was taken out
     * @param  MoodReading|null  $mood  null where a machine wrote
     */
    public function __construct(
        public ReceivedMessage $received,
        public string $subject,
        public string $text,
        public ?string $html,
        public string $senderName,
        public ?string $language,
        public array $redacted,
        public ?MoodReading $mood,
    ) {}
}
