<?php

declare(strict_types=1);

namespace App\Channels;

use App\Channels\Mail\Email;
use App\Channels\Marrowby\Marrowby;
use App\Channels\Pennon\Pennon;
use App\Channels\Quaymart\Quaymart;
use App\Channels\Services\PublicNetwork;
use App\Channels\Services\ServiceType;
use App\Channels\Shop\Shop;
use App\Channels\Snapline\Snapline;
use App\Channels\Telephone\Telephone;
use App\Channels\Tollgate\Tollgate;
use App\Channels\WebForm\WebForm;
use App\Channels\WrenParcel\WrenParcel;
use Closure;

/**
 * The channels that there are: the ways in, and the sources that orders and parcels are known from. What is particular to one is
 * said by its class alone.
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
    case Tollgate = 'tollgate';

    /** @var array<string, class-string<ChannelType>> */
    private const TYPES = [
        'email' => Email::class, 'pennon' => Pennon::class, 'snapline' => Snapline::class, 'marrowby' => Marrowby::class,
        'quaymart' => Quaymart::class, 'web_form' => WebForm::class, 'telephone' => Telephone::class, 'shop' => Shop::class,
        'wren_parcel' => WrenParcel::class, 'tollgate' => Tollgate::class,
    ];

    public function type(): ChannelType
    {
        return new (self::TYPES[$this->value]);
    }

    /**
     * Those of which something is so.
     *
     * @param  Closure(ChannelType): bool  $is
     * @return list<self>
     */
    public static function those(Closure $is): array
    {
        return array_values(array_filter(self::cases(), static fn (self $channel): bool => $is($channel->type())));
    }

    /**
     * The ways that email goes.
     *
     * @return list<self>
     */
    public static function mail(): array
    {
        return self::those(static fn (ChannelType $type): bool => $type->isMail());
    }

    public function label(): string
    {
        return $this->type()->label();
    }

    public function icon(): string
    {
        return $this->type()->icon();
    }

    public function isMail(): bool
    {
        return $this->type()->isMail();
    }

    public function bringsMessages(): bool
    {
        return $this->type()->bringsMessages();
    }

    public function isNetwork(): bool
    {
        return $this->type() instanceof PublicNetwork;
    }

    public function isService(): bool
    {
        return $this->type() instanceof ServiceType;
    }

    /**
     * Answers go back the way the message came; else by email, where an address is known.
     */
    public function takesAnswers(): bool
    {
        return $this->type()->sender() !== null;
    }

    /**
     * The kind of handle that people have there.
     */
    public function handleKind(): string
    {
        return $this->type()->handleKind() ?? $this->value;
    }
}
