<?php

declare(strict_types=1);

namespace Cairnfield\Core\Matching;

/**
 * How likely two customers are one person, with the reasons. Never by name alone: a name counts only
 * together with something else. From `PROPOSED` points on a team is asked; nothing is merged by itself.
 */
final readonly class Likeness
{
    public const PROPOSED = 5;

    /**
     * @param  list<string>  $reasons  the strongest first
     */
    private function __construct(public int $points, public array $reasons) {}

    public static function of(PersonFacts $one, PersonFacts $other): self
    {
        $name = PersonName::of($one->name);
        $otherName = PersonName::of($other->name);
        $found = [];
        $signs = [
            [6, 'same telephone number', array_values(array_intersect($one->telephones, $other->telephones))],
            [5, 'one wrote about the other’s order', array_values(array_unique([
                ...array_intersect($one->orders, $other->ordersNamed),
                ...array_intersect($other->orders, $one->ordersNamed),
            ]))],
            [4, 'both wrote about order', array_values(array_intersect($one->ordersNamed, $other->ordersNamed))],
            [4, 'same mailbox but for a suffix:', self::sameMailbox($one->emails, $other->emails)],
            [3, 'same account name', array_values(array_intersect(self::folded($one->accountNames), self::folded($other->accountNames)))],
            [3, 'account name as in the email address:', array_values(array_unique([
                ...self::nameInAddress($one->accountNames, $other->emails),
                ...self::nameInAddress($other->accountNames, $one->emails),
            ]))],
            [3, 'same postal address', self::sameAddress($one->addresses, $other->addresses)],
        ];
        foreach ($signs as [$points, $reason, $common]) {
            if ($common !== []) {
                $found[] = [$points, $reason.' '.implode(', ', array_slice($common, 0, 2))];
            }
        }
        if ($found !== []) {
            $found[] = match (true) {
                $name->isSameAs($otherName) => [3, "same name {$one->name}"],
                $name->isLike($otherName) => [2, "nearly the same name: {$one->name}, {$other->name}"],
                // Two full names without a part in common: rather a family or a gift than one person.
                $name->isFull() && $otherName->isFull() && array_intersect($name->parts, $otherName->parts) === [] => [
                    -3, "but different names: {$one->name}, {$other->name}",
                ],
                default => [0, ''],
            };
            $found = array_values(array_filter($found, static fn (array $sign): bool => $sign[0] !== 0));
        }
        usort($found, static fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return new self(array_sum(array_column($found, 0)), array_column($found, 1));
    }

    public function isProposed(): bool
    {
        return $this->points >= self::PROPOSED;
    }

    /**
     * `ana+kites@x` and `ana@x`.
     *
     * @param  list<string>  $emails
     * @param  list<string>  $others
     * @return list<string>
     */
    private static function sameMailbox(array $emails, array $others): array
    {
        $bare = static fn (string $email): string => (string) preg_replace('/\+[^@]*(?=@)/', '', mb_strtolower($email, 'UTF-8'));

        return array_values(array_unique(array_intersect(array_map($bare, $emails), array_map($bare, $others))));
    }

    /**
     * @param  list<string>  $names
     * @param  list<string>  $emails
     * @return list<string>
     */
    private static function nameInAddress(array $names, array $emails): array
    {
        $locals = array_map(
            static fn (string $email): string => self::bare((string) preg_replace('/(\+[^@]*)?@.*$/', '', $email)), $emails
        );

        return array_values(
            array_filter(
                $names,
                static fn (string $name): bool => mb_strlen(self::bare($name)) >= 5 && in_array(self::bare($name), $locals, true)
            )
        );
    }

    private static function bare(string $name): string
    {
        return (string) preg_replace('/[^\pL\pN]+/u', '', mb_strtolower($name, 'UTF-8'));
    }

    /**
     * @param  list<string>  $texts
     * @return list<string>
     */
    private static function folded(array $texts): array
    {
        return array_map(static fn (string $text): string => mb_strtolower(ltrim($text, '@'), 'UTF-8'), $texts);
    }

    /**
     * As the first of the two writes it.
     *
     * @param  list<string>  $addresses
     * @param  list<string>  $others
     * @return list<string>
     */
    private static function sameAddress(array $addresses, array $others): array
    {
        $known = self::plain($others);

        return array_values(
            array_filter($addresses, static fn (string $address): bool => in_array(self::plain([$address])[0], $known, true))
        );
    }

    /**
     * @param  list<string>  $addresses
     * @return list<string>
     */
    private static function plain(array $addresses): array
    {
        return array_map(
            static fn (string $address): string => trim((string) preg_replace('/[^\pL\pN]+/u', ' ', mb_strtolower($address, 'UTF-8'))),
            $addresses
        );
    }
}
