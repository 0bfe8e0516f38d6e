<?php

declare(strict_types=1);

namespace App\Team;

enum Role: string
{
    case Administrator = 'administrator';
    case Lead = 'lead';
    case Care = 'care';
    case ReturnsBench = 'returns_bench';

    public function label(): string
    {
        return match ($this) {
            self::Administrator => 'Administrator',
            self::Lead => 'Care lead',
            self::Care => 'Care',
            self::ReturnsBench => 'Returns bench',
        };
    }

    /**
     * What it may, in one sentence.
     */
    public function about(): string
    {
        return match ($this) {
            self::Administrator => 'Everything; lets people in, connects ways in.',
            self::Lead => 'Answers, and arranges how the team works.',
            self::Care => 'Answers customers.',
            self::ReturnsBench => 'Reads, writes notes, hands on; does not write to customers.',
        };
    }

    /**
     * Whether this role writes to customers. The returns bench reads along, writes notes and hands on.
     */
    public function answersCustomers(): bool
    {
        return $this !== self::ReturnsBench;
    }

    /**
     * Whether this role arranges how the team works: categories, outcomes, tags, fields, everybody's views.
     */
    public function arranges(): bool
    {
        return $this === self::Administrator || $this === self::Lead;
    }

    /**
     * Whether this role says yes or no to what others ask: money, exceptions.
     */
    public function approves(): bool
    {
        return $this->arranges();
    }

    /**
     * @return list<string> the values of those that do
     */
    public static function approving(): array
    {
        return self::those(static fn (self $role): bool => $role->approves());
    }

    /**
     * @return list<string> the values of those that write to customers
     */
    public static function answering(): array
    {
        return self::those(static fn (self $role): bool => $role->answersCustomers());
    }

    /**
     * @param  callable(self): bool  $may
     * @return list<string>
     */
    private static function those(callable $may): array
    {
        return array_column(array_filter(self::cases(), $may), 'value');
    }

    /**
     * Whether what somebody of this role makes for themselves, a view or a template, may stand in everybody’s way.
     */
    public function sharesWithEverybody(): bool
    {
        return $this->answersCustomers();
    }

    public function administers(): bool
    {
        return $this === self::Administrator;
    }
}
