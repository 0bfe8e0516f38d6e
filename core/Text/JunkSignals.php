<?php

declare(strict_types=1);

namespace Cairnfield\Core\Text;

/**
 * Simple signs that a message from a stranger is junk. Each has its points and its reason; five
 * points make it junk. They are few and plain on purpose: a person must be able to see why.
 */
final readonly class JunkSignals
{
    private const ENOUGH = 5;

    /** Words of offers that customers of a store do not make, in the folded text. */
    private const OFFERS = [
        'seo', 'backlinks', 'guest post', 'first page of google', 'increase your traffic', 'website traffic', 'crypto', 'bitcoin',
        'investment opportunity', 'forex', 'casino', 'lottery', 'you have won', 'inheritance', 'loan offer', 'viagra', 'enlargement',
        'hot singles',
        'work from home',
        'earn money',
        'wire transfer of',
        'beneficiary',
        'account will be suspended',
        'verify your account',
        'your mailbox is full', 'click here to claim', 'web design services', 'lead generation', 'followers for',
    ];

    /**
     * @param  list<string>  $reasons
     */
    private function __construct(public int $points, public array $reasons) {}

    /**
     * @param  string  $fromAddress  empty where there is none
     * @param  string  $html  as it came; empty where there is none
     */
    public static function of(string $subject, string $text, string $fromName, string $fromAddress, string $html = ''): self
    {
        $folded = mb_strtolower($subject."\n".$text, 'UTF-8');
        $words = max(1, (int) preg_match_all('/[\pL\pN]+/u', $text));
        $links = (int) preg_match_all('#https?://#i', $text);
        $offers = array_values(array_filter(
            self::OFFERS,
            static fn (string $offer): bool => preg_match('/(?<![\pL\pN])'.preg_quote($offer, '/').'(?![\pL\pN])/u', $folded) === 1,
        ));
        $found = [];
        if ($offers !== []) {
            $found[] = [min(6, 3 * count($offers)), 'it offers “'.implode('”, “', array_slice($offers, 0, 3)).'”'];
        }
        if ($links >= 3 && $links * 12 > $words) {
            $found[] = [3, "it is mostly links ({$links})"];
        }
        if (self::isShouted($subject)) {
            $found[] = [2, 'its subject is all capitals'];
        }
        if (preg_match('/[!$€£]{3,}/u', $subject.$text) === 1) {
            $found[] = [2, 'it has rows of exclamation or money signs'];
        }
        if (self::namesAnotherAddress($fromName, $fromAddress)) {
            $found[] = [3, 'its sender’s name is another address'];
        }
        if (self::hidesWhereLinksGo($html)) {
            $found[] = [3, 'a link shows one address and leads to another'];
        }

        return new self(array_sum(array_column($found, 0)), array_column($found, 1));
    }

    public function areEnough(): bool
    {
        return $this->points >= self::ENOUGH;
    }

    private static function isShouted(string $subject): bool
    {
        $letters = (int) preg_match_all('/\p{L}/u', $subject);

        return $letters >= 12 && (int) preg_match_all('/\p{Lu}/u', $subject) * 10 >= $letters * 9;
    }

    private static function namesAnotherAddress(string $name, string $address): bool
    {
        return $address !== ''
            && preg_match('/[^\s<>@]+@[^\s<>@]+\.[a-z]{2,}/i', $name, $named) === 1
            && strcasecmp($named[0], $address) !== 0;
    }

    private static function hidesWhereLinksGo(string $html): bool
    {
        preg_match_all(
            '#<a\s[^>]*href\s*=\s*["\']?https?://([^/"\'\s>]+)[^>]*>\s*(?:https?://)([^/<\s]+)#i', substr($html, 0, 200_000),
            $links, PREG_SET_ORDER
        );
        foreach ($links as [, $leadsTo, $shown]) {
            if (strcasecmp(self::registered($leadsTo), self::registered($shown)) !== 0) {
                return true;
            }
        }

        return false;
    }

    /**
     * The last two labels of a host, which is near enough to what was registered.
     */
    private static function registered(string $host): string
    {
        return implode('.', array_slice(explode('.', rtrim($host, '.')), -2));
    }
}
