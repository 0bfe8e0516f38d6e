<?php

declare(strict_types=1);

namespace App\Conversations;

use Illuminate\Support\Str;

/**
 * Whether a link is written as one place and leads to another: `https://store.example` that goes to `thief.example`.
 */
final class LinkTarget
{
    /** A host as people write it, with or without what stands before and behind it. */
    private const HOST = '/(?:^|[\s(<"\x27]|:\/\/|@)((?:[\p{L}\p{N}](?:[\p{L}\p{N}-]{0,61}[\p{L}\p{N}])?\.){1,8}\p{L}{2,24})'
        .'(?=$|[\s\/:?#)>"\x27,.])/u';

    private const LONGEST = 2_000;

    /** What ends so is a file, and no host. */
    private const FILES = [
        'avif', 'csv', 'doc', 'docx', 'eml', 'gif', 'heic', 'htm', 'html', 'ics', 'jpeg', 'jpg', 'json', 'odt', 'pdf', 'php', 'png', 'ppt',
        'pptx', 'svg', 'txt', 'webp', 'xls', 'xlsx', 'xml', 'zip',
    ];

    /**
     * @return string|null where it leads, where its text names another host; else null
     */
    public static function unlike(string $address, string $text): ?string
    {
        $leadsTo = self::hostOf($address);
        if ($leadsTo === '' || preg_match_all(self::HOST, mb_substr($text, 0, self::LONGEST), $named) === 0) {
            return null;
        }
        foreach ($named[1] as $host) {
            $isFile = in_array(Str::lower(Str::afterLast($host, '.')), self::FILES, true);
            if (! $isFile && ! self::isSame(self::ascii($host), self::ascii($leadsTo))) {
                return $leadsTo;
            }
        }

        return null;
    }

    private static function hostOf(string $address): string
    {
        $address = trim($address);
        if (str_starts_with(strtolower($address), 'mailto:')) {
            return Str::lower(Str::before(Str::afterLast(rawurldecode(Str::before(substr($address, 7), '?')), '@'), ','));
        }

        return Str::lower((string) parse_url($address, PHP_URL_HOST));
    }

    private static function isSame(string $one, string $other): bool
    {
        return $one === $other || str_ends_with($one, ".{$other}") || str_ends_with($other, ".{$one}");
    }

    private static function ascii(string $host): string
    {
        $ascii = idn_to_ascii(mb_strtolower(rtrim($host, '.')), IDNA_DEFAULT, INTL_IDNA_VARIANT_UTS46);

        return $ascii === false ? mb_strtolower($host) : $ascii;
    }
}
