<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * The ways in, and the two sources that orders and parcels are known from.
 */
enum Channel: string
{
    case Email = 'email';
    case Pennon = 'pennon';
    case Snapline = 'snapline';
    case Marrowby = 'marrowby';
    case Quaymart = 'quaymart';
    case WebForm = 'web_form';
    case Telephone = 'telephone';
    case Shop = 'shop';
    case WrenParcel = 'wren_parcel';

    public function label(): string
    {
        return match ($this) {
            self::Email => 'Email',
            self::Pennon => 'Pennon',
            self::Snapline => 'Snapline',
            self::Marrowby => 'Marrowby',
            self::Quaymart => 'Quaymart',
            self::WebForm => 'Web form',
            self::Telephone => 'Telephone',
            self::Shop => 'Shop',
            self::WrenParcel => 'Wren Parcel',
        };
    }

    /**
     * What it is, for somebody who connects it.
     */
    public function describe(): string
    {
        return match ($this) {
            self::Email => 'An email address: read over IMAP, answered over SMTP',
            self::Pennon => 'Public network: mentions, replies and direct messages',
            self::Snapline => 'Photo network: comments on your photos and direct messages',
            self::Marrowby => 'Marketplace: questions, order messages, return requests, ratings; answers within 24 hours',
            self::Quaymart => 'Marketplace: everything in threads; answers within two working days, without links or addresses',
            self::WebForm => 'A form on your shop’s page; answered by email',
            self::Telephone => 'Calls and visits at the counter, written down by whoever takes them',
            self::Shop => 'Where orders, products and stock come from',
            self::WrenParcel => 'The carrier: where parcels were seen',
        };
    }

    /**
     * The name of its drawing in the icon sheet.
     */
    public function icon(): string
    {
        return match ($this) {
            self::Email => 'envelope',
            self::Pennon => 'pennant',
            self::Snapline => 'photo',
            self::Marrowby, self::Quaymart => 'stall',
            self::WebForm => 'form',
            self::Telephone => 'telephone',
            self::Shop => 'shop',
            self::WrenParcel => 'parcel',
        };
    }

    /**
     * Reached over HTTP with a key, telling us what happens by webhook and by paging.
     */
    public function isService(): bool
    {
        return match ($this) {
            self::Email, self::WebForm, self::Telephone => false,
            default => true,
        };
    }

    public function isNetwork(): bool
    {
        return $this === self::Pennon || $this === self::Snapline;
    }

    /**
     * Whether customers write through it; else it only tells us of orders and parcels.
     */
    public function bringsMessages(): bool
    {
        return $this !== self::Shop && $this !== self::WrenParcel;
    }

    /**
     * Answers go back the way the message came; else by email, where an address is known.
     */
    public function takesAnswers(): bool
    {
        return $this->bringsMessages() && $this !== self::WebForm && $this !== self::Telephone;
    }

    /**
     * The kind of handle that people have there.
     */
    public function handleKind(): string
    {
        return match ($this) {
            self::Telephone => 'telephone',
            self::Email, self::WebForm => 'email',
            default => $this->value,
        };
    }

    /**
     * The most characters that one answer may have; null where there is no limit.
     */
    public function longestAnswer(): ?int
    {
        return match ($this) {
            self::Pennon => 500,
            self::Snapline => 1000,
            self::Marrowby => 4000,
            self::Quaymart => 2000,
            default => null,
        };
    }
}
