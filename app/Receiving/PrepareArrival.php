<?php

declare(strict_types=1);

namespace App\Receiving;

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
    public function __construct(private HtmlCleaner $cleaner, private RedactArrival $redact) {}

    public function of(ReceivedMessage $received): Arrival
    {
        $found = [];
        $subject = $this->redact->text($received->subject, $found);
        $inText = [];
        $text = $this->redact->text(mb_scrub($received->text, 'UTF-8'), $inText);
        $name = $this->redact->text($received->sender->name, $found);
        $html = $received->html === null ? null : $this->redact->html($this->cleaner->clean($received->html), $found);
        // Text and HTML say the same twice; each number is named once.
        $redacted = array_values(array_unique([...$inText, ...$found], SORT_REGULAR));

        $written = FoldedText::of($text)->written;
        $language = Language::of($written);
        // The subject of an answer was written long before.
        $isAnswer = $received->references !== []
            || ($received->inReplyTo ?? '') !== ''
            || preg_match('/^\s*\p{L}{1,4}\s*:/u', $subject) === 1;

        return new Arrival(
            $received,
            mb_scrub($subject, 'UTF-8'),
            $text,
            $html,
            $name,
            $language,
            $redacted,
            $received->automatic || $received->automaticAnswer
                ? null
                : MoodReading::of($isAnswer ? $written : "{$subject}\n{$written}", $language),
        );
    }
}
