<?php

declare(strict_types=1);

namespace App\Hours;

use App\SetUp\ContributesSetUpPages;
use App\SetUp\SetUpGroup;
use App\SetUp\SetUpPage;

final readonly class HoursSetUp implements ContributesSetUpPages
{
    public function __construct(private Calendars $calendars) {}

    public function pages(): array
    {
        return [new SetUpPage(
            SetUpGroup::HandedOut, 'Hours', '/hours', 'When who works: weeks, holidays, time zones.',
            ['working hours', 'opening hours', 'holidays', 'calendar', 'iCalendar', 'time zone', 'closed days'],
            'arrange',
            fn (): string => trans_choice('{1} one calendar|[2,*] :count calendars', max(1, $this->calendars->all()->count())),
        )];
    }
}
