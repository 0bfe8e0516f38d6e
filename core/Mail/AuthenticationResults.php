<?php

declare(strict_types=1);

namespace Cairnfield\Core\Mail;

/**
 * What the mail server of the store says of who sent a mail: the header field Authentication-Results (RFC 8601), with the methods
 * DMARC (RFC 7489), DKIM (RFC 6376) and SPF (RFC 7208).
 *
 * Anybody can write such a field into a mail. Believed is one alone that names the server, and that stands above the trace (Received,
 * RFC 5321, 4.4) which this server wrote when the mail reached it: what stands below came with the mail. Of several statements of one
 * method the uppermost counts, which was written last.
 *
 * The domain in From must be the one that was found, or the one be part of the other (the relaxed alignment of RFC 7489, 3.1, without
 * a list of public suffixes): a pass for another domain says nothing of who is named. A failure without a domain counts.
 */
final class AuthenticationResults
{
    /** More than these no server writes; what follows is not read. */
    private const MOST_FIELDS = 100;

    private const MOST_STATEMENTS = 50;

    private const LONGEST = 8_000;

    /**
     * @param  list<array{string, string}>  $trace  name and value of the header fields Authentication-Results and Received, uppermost
     *                                              first, names in any case, values with or without their line ends
     * @param  string  $server  the name by which the server calls itself (authserv-id); empty where none is believed
     * @param  string  $domain  of the address in From
     * @return SenderCheck|null null where the server says nothing that tells
     */
    public static function check(array $trace, string $server, string $domain): ?SenderCheck
    {
        $server = mb_strtolower(trim($server));
        $domain = mb_strtolower(trim($domain));

        return $server === '' || $domain === '' ? null : self::judge(self::statements($trace, $server), $domain);
    }

    /**
     * @param  list<array{string, string}>  $trace
     * @return array<string, array{result: string, domain: string}> by method
     */
    private static function statements(array $trace, string $server): array
    {
        $statements = [];
        foreach (array_slice($trace, 0, self::MOST_FIELDS) as [$name, $value]) {
            $value = self::withoutComments(mb_strcut(mb_scrub($value, 'UTF-8'), 0, self::LONGEST));
            if (strcasecmp($name, 'Received') === 0) {
                if (preg_match('/\bby\s+([^\s;]+)/i', $value, $by) === 1 && mb_strtolower($by[1]) === $server) {
                    break;
                }

                continue;
            }
            $statements += self::read($value, $server);
        }

        return $statements;
    }

    /**
     * @return array<string, array{result: string, domain: string}>
     */
    private static function read(string $value, string $server): array
    {
        $parts = array_slice(explode(';', $value), 0, self::MOST_STATEMENTS);
        $id = preg_split('/\s+/', trim(array_shift($parts)))[0] ?? '';
        if (mb_strtolower(trim($id, '"')) !== $server) {
            return [];
        }
        $read = [];
        foreach ($parts as $part) {
            if (preg_match('/^\s*(dmarc|dkim|spf)(?:\s*\/\s*\d+)?\s*=\s*([a-z]+)/i', $part, $said) !== 1) {
                continue;
            }
            $method = strtolower($said[1]);
            $one = ['result' => strtolower($said[2]), 'domain' => self::domainOf($method, $part)];
            // Of several signatures one that holds is enough; else the first counts.
            $isBetter = $method === 'dkim' && $one['result'] === 'pass' && ($read[$method]['result'] ?? '') !== 'pass';
            if ($isBetter || ! isset($read[$method])) {
                $read[$method] = $one;
            }
        }

        return $read;
    }

    /**
     * The domain that was looked at; empty where the server does not say.
     */
    private static function domainOf(string $method, string $part): string
    {
        $property = match ($method) {
            'dmarc' => 'header\.from',
            'dkim' => 'header\.(?:d|i)',
            default => 'smtp\.(?:mailfrom|helo)',
        };

        return preg_match("/(?:^|\s){$property}\s*=\s*\"?(?:[^\s\"@]*@)?([^\s\"@]+)/i", $part, $found) === 1
            ? rtrim(mb_strtolower($found[1]), '.')
            : '';
    }

    /**
     * @param  array<string, array{result: string, domain: string}>  $statements
     */
    private static function judge(array $statements, string $domain): ?SenderCheck
    {
        $policy = $statements['dmarc'] ?? null;
        // A policy is about From by its nature, where nothing else is said.
        $isOfFrom = $policy !== null && ($policy['domain'] === '' || self::isAligned($policy['domain'], $domain));
        if ($isOfFrom && in_array($policy['result'], ['pass', 'fail'], true)) {
            return $policy['result'] === 'pass' ? SenderCheck::Passed : SenderCheck::Failed;
        }
        $others = array_filter([$statements['dkim'] ?? null, $statements['spf'] ?? null]);
        foreach ($others as $one) {
            if ($one['result'] === 'pass' && self::isAligned($one['domain'], $domain)) {
                return SenderCheck::Passed;
            }
        }
        foreach ($others as $one) {
            if ($one['result'] === 'fail' && ($one['domain'] === '' || self::isAligned($one['domain'], $domain))) {
                return SenderCheck::Failed;
            }
        }

        return null;
    }

    private static function isAligned(string $found, string $domain): bool
    {
        return $found !== '' && ($found === $domain
            || str_ends_with($found, ".{$domain}")
            // A suffix such as “example” alone is nobody’s.
            || (str_contains($found, '.') && str_ends_with($domain, ".{$found}")));
    }

    /**
     * Comments may be nested and hold anything (RFC 5322, 3.2.2), semicolons too; quoted strings hold no comment.
     */
    private static function withoutComments(string $value): string
    {
        $without = '';
        $depth = 0;
        $isQuoted = false;
        for ($at = 0, $length = strlen($value); $at < $length; $at++) {
            $byte = $value[$at];
            if ($byte === '\\') {
                $without .= $depth === 0 ? substr($value, $at, 2) : '';
                $at++;
            } elseif ($depth === 0 && $byte === '"') {
                $isQuoted = ! $isQuoted;
                $without .= $byte;
            } elseif (! $isQuoted && $byte === '(') {
                $depth++;
                $without .= ' ';
            } elseif (! $isQuoted && $depth > 0 && $byte === ')') {
                $depth--;
            } elseif ($depth === 0) {
                // What is quoted ends no statement.
                $without .= $isQuoted && $byte === ';' ? ' ' : $byte;
            }
        }

        return $without;
    }
}
