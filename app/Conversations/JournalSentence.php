<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Orders\ParcelLine;
use App\Support\LocalTime;
use Cairnfield\Core\Parcels\ParcelStage;
use Carbon\CarbonImmutable;

/**
 * A journal entry as a sentence: who did what, and why.
 */
final readonly class JournalSentence
{
    public function __construct(private LocalTime $time) {}

    public function of(JournalEntry $entry): string
    {
        $rule = $entry->details['rule'] ?? null;
        $who = $entry->teammate->name ?? ($rule === null || $entry->kind === JournalKind::RuleRan ? null : "the rule “{$rule}”");
        $sentence = match ($entry->kind) {
            JournalKind::Began => 'Began as a new conversation that links to '.($entry->details['linked'] ?? ''),
            JournalKind::StateChanged => $this->state($entry, $who),
            JournalKind::OwnerChanged => $this->owner($entry, $who),
            JournalKind::CategoryChanged => $this->by($who, 'Category '.($entry->details['to'] ?? 'taken away')),
            JournalKind::TeamChanged => $this->by(
                $who,
                ($entry->details['to'] ?? null) === null ? 'Taken away from its team' : 'Given to the team '.$entry->details['to']
            ),
            JournalKind::PriorityChanged => $this->by($who, 'Priority '.($entry->details['to'] ?? '')),
            JournalKind::TagsChanged => $this->by($who, $this->tags($entry)),
            JournalKind::LanguageChanged => $this->by($who, 'Language '.($entry->details['to'] ?? '')),
            JournalKind::FieldChanged => $this->by(
                $who, ($entry->details['field'] ?? 'A field').' set to '.($entry->details['to'] ?? 'nothing')
            ),
            JournalKind::Scheduled => $this->by(
                $who,
                'To be sent '.$this->time->short(CarbonImmutable::parse((string) ($entry->details['at'] ?? 'now'))).(
                    ($entry->details['unless_answered'] ?? null) === null ? '' : ', unless the customer answers first'
                )
            ),
            JournalKind::ScheduleCalledOff => 'An answer to be sent later was called off',
            JournalKind::Forwarded => $this->by($who, 'Forwarded to '.($entry->details['to'] ?? '')),
            JournalKind::PartnerAsked => $this->by($who, 'Asked '.($entry->details['partner'] ?? 'a partner')),
            JournalKind::PartnerAnswered => ($entry->details['partner'] ?? 'The partner').' answered',
            JournalKind::CopiesChanged => $this->by(
                $who,
                ($entry->details['to'] ?? null) === null
                    ? 'Nobody gets copies any more'
                    : 'Copies of everything go to '.$entry->details['to']
            ),
            JournalKind::ChecklistStarted => $this->by($who, 'Checklist “'.($entry->details['name'] ?? '').'” started'),
            JournalKind::ChecklistTicked => $this->by(
                $who,
                (($entry->details['undone'] ?? null) === null ? 'Ticked: ' : 'Tick taken back: ').($entry->details['step'] ?? '')
            ),
            JournalKind::TaskMade => $this->by($who, 'Task for '.($entry->details['for'] ?? '').': '.($entry->details['task'] ?? '')),
            JournalKind::TaskDone => $this->by(
                $who,
                (($entry->details['undone'] ?? null) === null ? 'Task done: ' : 'Task open again: ').($entry->details['task'] ?? '')
            ),
            JournalKind::ComesBack => $this->by(
                $who, 'To come back '.$this->time->short(CarbonImmutable::parse((string) ($entry->details['until'] ?? 'now')))
            ),
            JournalKind::CalledBack => $this->by($who, 'Called back before it was on its way'),
            JournalKind::BulkUndone => $this->by($who, 'Undone: '.($entry->details['what'] ?? '')),
            JournalKind::DeliveryFailed => 'The answer to '.($entry->details['to'] ?? 'the customer').' could not be delivered',
            JournalKind::SendingAgain => $this->by($who, 'Sending the answer again'),
            JournalKind::Delivered => 'The answer was delivered',
            JournalKind::MessageReceived => 'The customer wrote',
            JournalKind::Replied => $rule === null ? ($who ?? 'Somebody').' replied' : "The rule “{$rule}” answered as {$who}",
            JournalKind::NudgeStarted => $this->by(
                $who,
                'Nudge plan “'.($entry->details['plan'] ?? '').'” started, first reminder '.$this->time->short(
                    CarbonImmutable::parse((string) ($entry->details['next'] ?? 'now'))
                )
            ),
            JournalKind::NudgeCalledOff => $this->by($who, 'Nudge plan “'.($entry->details['plan'] ?? '').'” called off'),
            JournalKind::Rated => 'The customer gave '.($entry->details['score'] ?? '').' of 5 stars'.(
                ($entry->details['comment'] ?? '') === '' ? '' : ": “{$entry->details['comment']}”"
            ),
            JournalKind::ApprovalAsked => $this->by($who, 'Asked '.($entry->details['of'] ?? 'the leads').' for an approval'),
            JournalKind::ApprovalAnswered => $this->by($who, match ($entry->details['answer'] ?? '') {
                'given' => 'Approved',
                'declined' => 'Declined',
                default => 'Withdrawn',
            }.': '.($entry->details['question'] ?? '')),
            JournalKind::RuleRan => "Rule “{$rule}”",
            JournalKind::RuleFailed => "Rule “{$rule}” could not be carried out",
            JournalKind::Noted => ($who ?? 'Cairnfield').' wrote a note',
            JournalKind::EditedAtSource => 'The customer changed what they had written there',
            JournalKind::RemovedAtSource => 'The customer removed it there',
            JournalKind::OrderAttached => $this->by($who, 'Order '.($entry->details['order'] ?? '').' put beside it'),
            JournalKind::OrderDetached => $this->by($who, 'Order '.($entry->details['order'] ?? '').' taken away'),
            JournalKind::OrderChanged => 'Order '.($entry->details['order'] ?? '').(
                ($entry->details['refunded'] ?? null) === null
                    ? ' is '.($entry->details['to'] ?? '').' now'
                    : ': '.$entry->details['refunded'].' given back'
            ),
            JournalKind::ParcelSeen => 'Parcel '.($entry->details['parcel'] ?? '').': '.mb_strtolower(
                ParcelLine::label(ParcelStage::from((string) ($entry->details['stage'] ?? 'announced')))
            ).(($entry->details['place'] ?? '') === '' ? '' : ', '.$entry->details['place']),
            JournalKind::Junked => $this->by($who, 'Put with the junk'),
            JournalKind::NotJunk => $this->by($who, 'Taken back from the junk'),
            JournalKind::Joined => $this->by($who, ($entry->details['other'] ?? 'Another conversation').' joined into this one'),
            JournalKind::SplitOff => $this->by($who, 'A message was split off into '.($entry->details['other'] ?? 'another conversation')),
            JournalKind::Separated => $this->by(
                $who, ($entry->details['other'] ?? 'The other conversation').' made a conversation of its own again'
            ),
            JournalKind::Liked => $this->by($who, ($entry->details['undone'] ?? null) === null ? 'Liked in public' : 'Like taken back'),
            JournalKind::Reposted => $this->by(
                $who, ($entry->details['undone'] ?? null) === null ? 'Re-posted in public' : 'Re-post taken back'
            ),
            JournalKind::CustomerMerged => $this->by($who, 'Customer merged: '.($entry->details['names'] ?? '')),
            JournalKind::CustomerSeparated => $this->by($who, 'Merged customers separated again'),
            JournalKind::ReceiptSent => 'Receipt with the number sent to '.($entry->details['to'] ?? 'the customer'),
            JournalKind::Imported => $this->by($who, 'Taken over from earlier history'),
        };

        return $entry->why === '' || $entry->kind === JournalKind::StateChanged ? $sentence : "{$sentence} ({$entry->why})";
    }

    private function state(JournalEntry $entry, ?string $who): string
    {
        $to = ConversationState::from((string) $entry->details['to']);
        $until = $entry->details['until'] ?? null;
        $text = match ($to) {
            ConversationState::Open => 'Open again',
            ConversationState::Waiting => 'Waiting on customer',
            ConversationState::Held => 'Held',
            ConversationState::Resolved => 'Resolved',
            ConversationState::Closed => 'Closed for good',
        };
        $because = $entry->why === '' ? '' : ": {$entry->why}";
        $back = $until === null ? '' : ', comes back '.$this->time->short(CarbonImmutable::parse($until));

        return $this->by($who, $text).$because.$back;
    }

    private function tags(JournalEntry $entry): string
    {
        $given = $entry->details['given'] ?? null;
        $taken = $entry->details['taken'] ?? null;

        return implode(
            ', ', array_filter([$given === null ? null : "Tagged {$given}", $taken === null ? null : "tag {$taken} taken away"])
        );
    }

    private function owner(JournalEntry $entry, ?string $who): string
    {
        $to = $entry->details['to'] ?? null;

        return match (true) {
            $to === null => $this->by($who, 'Given back: nobody’s yet'),
            $to === $who => "Taken by {$who}",
            default => $this->by($who, "Given to {$to}"),
        };
    }

    private function by(?string $who, string $what): string
    {
        return $who === null ? $what : "{$what} by {$who}";
    }
}
