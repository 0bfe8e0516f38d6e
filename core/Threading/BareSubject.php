<?php

declare(strict_types=1);

namespace Cairnfield\Core\Threading;

/**
 * A subject without what mail programs put around it, for comparing: reply and forward marks in
 * the common languages, a list's name in brackets before them, our own number, case and spacing
 * (the base subject of RFC 5256, section 2.1, widened). Of a subject longer than 2,000 characters the first
 * 2,000 are compared: a line of a mail has at most 998 (RFC 5322, 2.1.1), and marks without end cost no time.
 */
final readonly class BareSubject
{
    private const MARK = '/^\s*(?:re|fwd?|aw|wg|sv|vs|vb|antw|doorst|rv|tr|rif|i|odp|pd|ynt|ilt|res|enc|ref|atb|nav|p\x{101}rs'
        .'|回复|答复|转发|返信)\s*(?:\[\d+\]|\(\d+\))?\s*[:：]\s*/iu';

    private const LIST_NAME = '/^\s*\[[^\[\]]{1,60}\]\s*(?=\S)/u';

    private const LONGEST = 2_000;

    private const FORWARDED_END = '/\s*\(fwd\)\s*$/iu';

    private function __construct(public string $text) {}

    public static function of(string $subject): self
    {
        $text = ConversationNumber::withoutMark(mb_substr(mb_scrub($subject, 'UTF-8'), 0, self::LONGEST));
        do {
            $before = $text;
            $text = (string) preg_replace([self::MARK, self::FORWARDED_END], '', $text);
            // A list's name goes only where a mark follows or went before it: "[sale] hello" is a subject.
            $unlisted = (string) preg_replace(self::LIST_NAME, '', $text);
            if ($unlisted !== $text && preg_match(self::MARK, $unlisted) === 1) {
                $text = $unlisted;
            }
        } while ($text !== $before);

        return new self(mb_strtolower(trim((string) preg_replace('/\s+/u', ' ', $text))));
    }

    public function isEmpty(): bool
    {
        return $this->text === '';
    }

    public function equals(self $other): bool
    {
        return $this->text === $other->text;
    }
}
