<?php

declare(strict_types=1);

namespace App\Answering;

use App\Conversations\ConversationRefused;

/**
 * Addresses as they are written in a form, with commas, semicolons or spaces between, and with names or without.
 */
final class Recipients
{
    private const MOST = 20;

    /**
     * @return list<string>
     *
     * @throws ConversationRefused when one is no address, or there are too many
     */
    public static function read(string $written): array
    {
        $addresses = [];
        // `Jürgen Müller <j@mueller.example>`, with quotes or without: the name is the program's, the address is ours.
        $written = (string) preg_replace('/(?:"[^"]*"\s*|[^<>,;\n"]*)<([^<>]*)>/u', ' $1 ', mb_scrub($written, 'UTF-8'));
        foreach (preg_split('/[\s,;]+/u', $written, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $address) {
            $address = trim($address, '<>');
            if (filter_var($address, FILTER_VALIDATE_EMAIL) === false || strlen($address) > 254) {
                throw ConversationRefused::noAddress($address);
            }
            $addresses[mb_strtolower($address)] = $address;
        }

        return count($addresses) <= self::MOST ? array_values($addresses) : throw ConversationRefused::tooManyRecipients(self::MOST);
    }
}
