<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * All that is particular to one channel: what it can do, the rules of its source, what its account needs, how it is read and
 * answered. One class for each, in the folder of the channel; `Channel` lists them.
 */
abstract readonly class ChannelType
{
    abstract public function label(): string;

    /**
     * What it is, for somebody who connects it.
     */
    abstract public function description(): string;

    /**
     * The name of its drawing in the icon sheet.
     */
    abstract public function icon(): string;

    /**
     * Whether customers write through it; else it only tells us of orders and parcels.
     */
    public function bringsMessages(): bool
    {
        return true;
    }

    /**
     * Who brings an answer out the way the message came; null where it is answered by mail, where an address is known.
     *
     * @return class-string<MessageSender>|null
     */
    public function sender(): ?string
    {
        return null;
    }

    /**
     * Addresses, subjects, copies, files, and text with a look.
     */
    public function isMail(): bool
    {
        return false;
    }

    /**
     * The kind of handle that people have there; null where it is the channel’s own.
     */
    public function handleKind(): ?string
    {
        return null;
    }

    /**
     * The most characters that one answer may have; null where there is no limit.
     */
    public function longestAnswer(): ?int
    {
        return null;
    }

    /**
     * Whether links, addresses and numbers in an answer are against its rules.
     */
    public function forbidsContactDetails(): bool
    {
        return false;
    }

    /**
     * Whether anybody can write, so that what comes may be junk.
     */
    public function isOpenToStrangers(): bool
    {
        return false;
    }

    /**
     * Whether what one person says within the hours of its account is one matter. On a marketplace another order or listing is
     * another, however soon it comes.
     */
    public function joinsBySender(): bool
    {
        return false;
    }

    /**
     * How its source says that it is its own: the word before `-Time` and `-Signature` (see SignedBody).
     */
    public function signs(): string
    {
        return 'Event';
    }

    /**
     * How an account of it is connected and seen to work; null where nothing outside is needed.
     *
     * @return class-string<Connection>|null
     */
    public function connection(): ?string
    {
        return null;
    }

    public function addressField(): AccountField
    {
        return AccountField::text('address', 'Name of the account there', ['required', 'string', 'max:120']);
    }

    /**
     * What else its account needs, by the headings of its form.
     *
     * @return array<string, list<AccountField>>
     */
    public function fields(Account $account): array
    {
        return [];
    }

    /**
     * What else stands on the page of a connected account.
     */
    public function accountView(): ?string
    {
        return null;
    }
}
