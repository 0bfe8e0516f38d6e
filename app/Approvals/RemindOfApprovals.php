<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Hours\StoreHours;
use App\Notifications\NewsKind;
use App\Notifications\Notify;
use App\Team\Teammate;
use Carbon\CarbonImmutable;

/**
 * Reminds each of those whose yes is waited for, every few working days, of all that still waits: in one message.
 */
final readonly class RemindOfApprovals
{
    public function __construct(private SpendingLimits $limits, private WhoApproves $who, private StoreHours $hours,
        private Notify $tell) {}

    public function __invoke(): void
    {
        $waiting = Approval::query()->where('state', ApprovalState::Asked)->orderBy('asked_at')->get();
        $of = [];
        foreach ($waiting as $approval) {
            foreach ($this->who->people($approval) as $person) {
                $of[$person->id] ??= [$person, []];
                $of[$person->id][1][] = $approval;
            }
        }
        foreach ($of as [$person, $approvals]) {
            $this->remind($person, $approvals);
        }
    }

    /**
     * @param  non-empty-list<Approval>  $approvals  the oldest first
     */
    private function remind(Teammate $person, array $approvals): void
    {
        $since = $person->approvals_reminded_at === null || $person->approvals_reminded_at < $approvals[0]->asked_at
            ? $approvals[0]->asked_at
            : $person->approvals_reminded_at;
        if ($this->hours->afterWorkingDays($since, $this->limits->remindAfter())->isFuture()) {
            return;
        }
        $questions = implode('; ', array_map(static fn (Approval $one): string => $one->question, $approvals));
        $now = CarbonImmutable::now();
        // Once for each of these moments, however many look at the same time.
        $isMine = Teammate::query()->whereKey($person->id)->where(static fn ($any) => $person->approvals_reminded_at === null
            ? $any->whereNull('approvals_reminded_at')
            : $any->where('approvals_reminded_at', $person->approvals_reminded_at))->toBase()->update(['approvals_reminded_at' => $now]);
        $isMine === 0 ?: $this->tell->people(
            [$person], NewsKind::ApprovalAsked, "approvals-{$now->getTimestamp()}",
            (count($approvals) === 1 ? 'Still waits for your yes or no: ' : count($approvals).' still wait for your yes or no: ')
                .$questions,
            null, path: '/approvals'
        );
    }
}
