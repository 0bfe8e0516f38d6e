<?php

declare(strict_types=1);

namespace App\Companies;

use App\Support\Row;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Where the people of a company write from.
 *
 * @property int $id
 * @property int $company_id
 * @property string $domain as in an address: small letters, ASCII
 * @property Company $company
 */
final class CompanyDomain extends Row
{
    protected $table = 'company_domains';

    protected $fillable = ['company_id', 'domain'];

    /** Where anybody can have a mailbox: such a domain says nothing of where somebody works. */
    private const OF_EVERYBODY = [
        'gmail.com', 'googlemail.com', 'outlook.com', 'hotmail.com', 'live.com', 'msn.com', 'yahoo.com', 'icloud.com', 'me.com', 'aol.com',
        'gmx.de', 'gmx.net', 'gmx.at', 'web.de', 't-online.de', 'freenet.de', 'proton.me', 'protonmail.com', 'mail.com', 'orange.fr',
        'free.fr', 'laposte.net', 'libero.it', 'wp.pl', 'o2.pl', 'jubii.dk', 'seznam.cz', 'ziggo.nl', 'telia.com',
    ];

    /**
     * @return BelongsTo<Company, $this>
     */
    public function company(): BelongsTo
    {
        return $this->belongsTo(Company::class);
    }

    /**
     * As it is kept, of how somebody writes it: `Kitebarn.example`, `@kitebarn.example`, an address.
     *
     * @throws CompanyRefused
     */
    public static function read(string $written): string
    {
        $after = strrchr(trim($written), '@');
        $domain = mb_strtolower(rtrim($after === false ? trim($written) : substr($after, 1), '.'));
        $ascii = $domain === '' ? false : idn_to_ascii($domain, IDNA_DEFAULT, INTL_IDNA_VARIANT_UTS46);
        if (
            $ascii === false || strlen($ascii) > 190 || ! str_contains($ascii, '.')
            || filter_var($ascii, FILTER_VALIDATE_DOMAIN, FILTER_FLAG_HOSTNAME) === false
        ) {
            throw CompanyRefused::noDomain($written);
        }
        if (in_array($ascii, self::OF_EVERYBODY, true)) {
            throw CompanyRefused::domainOfEverybody($ascii);
        }

        return $ascii;
    }

    /**
     * The domain of an address and those above it, the nearest first.
     *
     * @return list<string>
     */
    public static function ofAddress(string $address): array
    {
        $labels = array_slice(explode('.', (string) substr((string) strrchr($address, '@'), 1)), -6);
        $domains = [];
        while (count($labels) >= 2) {
            $domains[] = implode('.', $labels);
            array_shift($labels);
        }

        return $domains;
    }
}
