<?php

declare(strict_types=1);

namespace App\Channels\Mail;

/**
 * Tells mail that nothing automatic may answer (RFC 3834, section 2): answers by machines,
 * reports of mail systems, lists and bulk mail, and senders that nobody reads.
 */
final class AutomaticMail
{
    private const PRECEDENCES = ['bulk', 'list', 'junk', 'auto_reply', 'auto-reply'];

    private const LIST_FIELDS = ['List-Id', 'List-Unsubscribe', 'List-Post', 'List-Help', 'Mailing-List', 'X-Mailing-List', 'Feedback-ID'];

    private const ANSWER_FIELDS = ['X-Autoreply', 'X-Autorespond', 'X-Auto-Reply-From'];

    /** How programs begin the subject of an answer of theirs, in the languages of the stores; some say it nowhere else. */
    private const ANSWER_SUBJECT = '/^\s*(?:(?:re|aw|sv|vs|ant|odp)\s*:\s*)?(?:
        (?:automatic|auto)[\s-]?(?:reply|response|answer)|out[\s-]of[\s-](?:the[\s-])?office(?:[\s-](?:reply|response|message))?
        |automatische\s(?:antwort|abwesenheits?\p{L}*)|abwesenheits(?:notiz|meldung|nachricht|agent)
        |automatisk[te]?\ssvar|autosvar|fraværs?\p{L}*|fråvaro\p{L}*|frånvaro\p{L}*|réponse\sautomatique|respuesta\sautomática
        |risposta\sautomatica|resposta\sautomática|automatisch\santwoord|afwezigheids?\p{L}*
        |automātiskā\satbilde|automaattinen\svastaus|odpowiedź\sautomatyczna|automatyczna\sodpowiedź
    )(?:\s*(?:[:(–—]|\s-\s)|\s*$)/iux';

    private const NOBODY = '/^(?:mailer-daemon|postmaster|(?:no|do-?not|dont)[._-]?reply|noreply|bounces?'
        .'|owner-.+|.+-(?:request|owner|bounces?))(?:[+=.-].*)?@/i';

    public static function isAutomatic(MailHeaders $headers, string $contentType): bool
    {
        $suppress = strtolower($headers->raw('X-Auto-Response-Suppress'));

        return self::isAnswer($headers, $contentType)
            || self::isReport($headers, $contentType)
            || self::isAutoSubmitted($headers)
            || in_array(strtolower($headers->raw('Precedence')), self::PRECEDENCES, true)
            || self::hasAny($headers, self::LIST_FIELDS)
            || ($suppress !== '' && $suppress !== 'none')
            || self::isNobody($headers->sender()->value);
    }

    /**
     * Whether nobody reads what is sent there.
     */
    public static function isNobody(string $address): bool
    {
        return preg_match(self::NOBODY, $address) === 1;
    }

    /**
     * Whether a machine wrote it in answer to us: an out-of-office note. It says nothing of the
     * matter, so it does not make the conversation our turn. A report that our answer could not be
     * delivered does, and is none of these.
     */
    public static function isAnswer(MailHeaders $headers, string $contentType): bool
    {
        if (self::isReport($headers, $contentType)) {
            return false;
        }

        return str_starts_with(strtolower($headers->raw('Auto-Submitted')), 'auto-replied')
            || in_array(strtolower($headers->raw('Precedence')), ['auto_reply', 'auto-reply'], true)
            || self::hasAny($headers, self::ANSWER_FIELDS)
            || preg_match(self::ANSWER_SUBJECT, $headers->subject()) === 1;
    }

    /**
     * Whether a mail system wrote it about another message.
     */
    public static function isReport(MailHeaders $headers, string $contentType): bool
    {
        return strtolower($contentType) === 'multipart/report'
            || ($headers->has('Return-Path') && preg_match('/^<\s*>$/', $headers->raw('Return-Path')) === 1)
            || preg_match('/^mailer-daemon@/i', $headers->sender()->value) === 1;
    }

    private static function isAutoSubmitted(MailHeaders $headers): bool
    {
        $value = strtolower(trim(explode(';', $headers->raw('Auto-Submitted'))[0]));

        return $value !== '' && $value !== 'no';
    }

    /**
     * @param  list<string>  $names
     */
    private static function hasAny(MailHeaders $headers, array $names): bool
    {
        foreach ($names as $name) {
            if ($headers->has($name)) {
                return true;
            }
        }

        return false;
    }
}
