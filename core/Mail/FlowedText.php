<?php

declare(strict_types=1);

namespace Cairnfield\Core\Mail;

/**
 * Text as mail programs send it that break long lines for others (`format=flowed`, RFC 3676): put together again, paragraph by
 * paragraph. A line that ends with a space goes on in the next one of the same depth of quoting; `-- ` alone never does.
 */
final class FlowedText
{
    private const SIGNATURE_MARK = '-- ';

    /**
     * @param  string  $text  lines ended by LF
     * @param  bool  $deletesSpace  the parameter `delsp`: whether the space at the end is the program's and not the writer's
     * @return string lines ended by LF, quoted ones with one `>` for each depth and a space
     */
    public static function joined(string $text, bool $deletesSpace): string
    {
        $joined = [];
        $isOpen = false;
        $openDepth = 0;
        foreach (explode("\n", $text) as $line) {
            $depth = strspn($line, '>');
            // A space was put before what begins like a quote, or with a space of its own.
            $said = substr($line, $depth);
            $said = str_starts_with($said, ' ') ? substr($said, 1) : $said;
            $isSignature = $said === self::SIGNATURE_MARK;
            $flows = ! $isSignature && str_ends_with($said, ' ');
            $kept = $flows && $deletesSpace ? substr($said, 0, -1) : $said;
            if ($isOpen && $depth === $openDepth && ! $isSignature && $said !== '') {
                $joined[array_key_last($joined)] .= $kept;
            } else {
                $joined[] = ($depth === 0 ? '' : str_repeat('>', $depth).($kept === '' ? '' : ' ')).$kept;
            }
            [$isOpen, $openDepth] = [$flows, $depth];
        }

        return implode("\n", array_map(
            static fn (string $line): string => $line === self::SIGNATURE_MARK ? $line : rtrim($line, ' '), $joined
        ));
    }
}
