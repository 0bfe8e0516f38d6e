<?php

declare(strict_types=1);

namespace App\Notifications;

use Carbon\CarbonImmutable;

/**
 * When somebody is told by mail.
 */
enum MailWhen: string
{
    case Never = 'never';
    case AtOnce = 'at_once';
    case Hourly = 'hourly';
    case Daily = 'daily';

    private const MORNING = 8;

    public function label(): string
    {
        return match ($this) {
            self::Never => 'no mail',
            self::AtOnce => 'mail at once',
            self::Hourly => 'mail once an hour',
            self::Daily => 'mail in the morning',
        };
    }

    public function dueAt(CarbonImmutable $now, string $zone): ?CarbonImmutable
    {
        $local = $now->setTimezone($zone);
        $morning = $local->setTime(self::MORNING, 0);

        return match ($this) {
            self::Never => null,
            self::AtOnce => $now,
            self::Hourly => $now->startOfHour()->addHour(),
            self::Daily => ($morning->greaterThan($local) ? $morning : $morning->addDay())->utc(),
        };
    }
}
