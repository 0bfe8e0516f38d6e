<?php

declare(strict_types=1);

namespace App\Receiving;

use App\Channels\ReceivedAttachment;
use App\Channels\ReceivedMessage;
use App\Channels\RedactArrival;
use App\Support\HtmlCleaner;
use Cairnfield\Core\Mood\MoodReading;
use Cairnfield\Core\Text\FoldedText;
use Cairnfield\Core\Text\Language;

/**
 * What is done to every message before anything of it is stored, whatever way it came.
 */
final readonly class PrepareArrival
{
    /** In bytes: some hundred pages. Longer ones are nothing that is read through. */
    private const LONGEST_TEXT = 1_000_000;

    private const WHOLE_TEXT = 'whole-text.txt';

    public function __construct(private HtmlCleaner $cleaner, private RedactArrival $redact) {}

    public function of(ReceivedMessage $received): Arrival
    {
        $found = [];
        $received = $this->redact->message($received, $found);
        $text = $received->text;
        if (strlen($text) > self::LONGEST_TEXT) {
            $received = $received->with(
                ['Its text is longer than is shown here; all of it is in the file “'.self::WHOLE_TEXT.'”.'],
                [new ReceivedAttachment(self::WHOLE_TEXT, 'text/plain', $text)]
            );
            $text = mb_strcut($text, 0, self::LONGEST_TEXT);
        }
        $html = $received->html === null ? null : $this->redact->html($this->cleaner->clean($received->html), $found);
        $subject = $received->subject;
        // Text and HTML say the same twice; each number is named once.
        $redacted = array_values(array_unique($found, SORT_REGULAR));

        $written = FoldedText::of($text)->own();
        $language = Language::of($written);
        // The subject of an answer was written long before.
        $isAnswer = $received->references !== []
            || ($received->inReplyTo ?? '') !== ''
            || preg_match('/^\s*\p{L}{1,4}\s*:/u', $subject) === 1;

        return new Arrival(
            $received,
            $subject,
            $text,
            $html,
            $received->sender->name,
            $language,
            $redacted,
            $received->automatic || $received->automaticAnswer
                ? null
                : MoodReading::of($isAnswer ? $written : "{$subject}\n{$written}", $language),
        );
    }
}
