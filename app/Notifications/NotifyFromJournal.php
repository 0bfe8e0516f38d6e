<?php

declare(strict_types=1);

namespace App\Notifications;

use App\Answering\Happened\DeliveryFailed;
use App\Answering\Happened\Noted;
use App\Answering\Happened\PartnerAnswered;
use App\Answering\Happened\ScheduleCalledOff;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Conversations\Happened\OwnerChanged;
use App\Conversations\Happened\StateChanged;
use App\Conversations\Journal\JournalEntry;
use App\Conversations\Journal\JournalKind;
use App\Conversations\Journal\JournalNews;
use App\Promises\Happened\PromiseMissed;
use App\Promises\Happened\PromiseWarned;
use App\Receiving\Happened\MessageReceived;
use App\Sorting\WhoMayRead;
use App\Team\Role;
use App\Team\Teammate;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Looks through the journal's news for what people are told. Every change writes the journal, so nothing
 * else has to think of it. Runs every few seconds; safe to repeat.
 */
final readonly class NotifyFromJournal
{
    private const KINDS = [
        JournalKind::Noted, JournalKind::OwnerChanged, JournalKind::MessageReceived, JournalKind::StateChanged,
        JournalKind::DeliveryFailed, JournalKind::ScheduleCalledOff, JournalKind::PartnerAnswered, JournalKind::PromiseWarned,
        JournalKind::PromiseMissed,
    ];

    public function __construct(private Notify $tell, private JournalNews $news, private WhoMayRead $whoMayRead) {}

    public function run(): void
    {
        // What happened before anybody was told is not told now.
        $this->news->follow('notifications.told', false, $this->tellOfAll(...));
    }

    /**
     * @param  Collection<int, \stdClass>  $news
     */
    private function tellOfAll(Collection $news): void
    {
        $entries = JournalEntry::query()->whereKey($news->pluck('id'))->whereIn('kind', self::KINDS)
            ->with(['conversation.owner', 'note', 'message', 'teammate'])->orderBy('id')->get();
        if ($entries->isEmpty()) {
            return;
        }
        $team = Teammate::query()->where('may_sign_in', true)->orderBy('id')->get()->all();
        $followers = DB::table('follows')
            ->whereIn('conversation_id', $entries->pluck('conversation_id')->unique())
            ->get()
            ->groupBy('conversation_id');
        foreach ($entries as $entry) {
            $following = $followers->get($entry->conversation_id)?->where('entry_id', '<', $entry->id)->pluck('teammate_id')->all() ?? [];
            $this->tellOf(
                $entry, array_values($team),
                array_values(array_filter($team, static fn (Teammate $person): bool => in_array($person->id, $following, true)))
            );
        }
    }

    /**
     * @param  list<Teammate>  $team
     * @param  list<Teammate>  $followers
     */
    private function tellOf(JournalEntry $entry, array $team, array $followers): void
    {
        $conversation = $entry->conversation;
        $owner = $conversation->owner === null ? [] : [$conversation->owner];
        $subject = "{$conversation->number()} “{$conversation->subject}”";
        $who = $entry->teammate->name ?? 'Cairnfield';
        $what = $entry->payload();
        match (true) {
            $what instanceof Noted => $this->tellOfNote(
                $entry, $team, [...$owner, ...$followers],
                "{$who} in {$subject}: ".Str::limit(Str::squish((string) $entry->note?->text), 200)
            ),
            $what instanceof OwnerChanged => $this->to(
                self::personOf($team, $what->to?->id), NewsKind::Given, $entry, "{$who} gave you {$subject}"
                    .($entry->why === '' ? '' : " ({$entry->why})"
                    )),
            $what instanceof MessageReceived => $this->to(
                [...$owner, ...$followers], NewsKind::CustomerWrote, $entry,
                "{$entry->message?->from_name} wrote in {$subject}: ".Str::limit(Str::squish((string) $entry->message?->text), 160)
            ),
            $what instanceof StateChanged => $this->tellOfState(
                $entry, $what, $owner, $followers,
                "{$subject}: ".mb_strtolower($what->to->label())." by {$who}".($entry->why === '' ? '' : ", {$entry->why}")
            ),
            $what instanceof DeliveryFailed, $what instanceof ScheduleCalledOff => $this->to(
                self::personOf($team, $what instanceof ScheduleCalledOff ? $what->author->id : $entry->message?->teammate_id),
                NewsKind::NotSent, $entry, "Not sent in {$subject}: {$entry->why}", true
            ),
            $what instanceof PromiseWarned => $this->to(
                $owner, NewsKind::PromiseWarned, $entry,
                "{$what->promise->inFull()} in {$subject} is about to be missed"
            ),
            // What lies with nobody, the leads have to give to somebody.
            $what instanceof PromiseMissed => $this->to(
                $owner === [] ? $this->leadsFor($conversation, $team) : $owner,
                NewsKind::PromiseMissed, $entry, "{$what->promise->inFull()} in {$subject} is missed"
            ),
            $what instanceof PartnerAnswered => $this->to(
                $owner, NewsKind::PartnerAnswered, $entry, "{$what->partner->name} answered in {$subject}"
            ),
            default => null,
        };
    }

    /**
     * The leads who are here; of what is for members alone, those who read it, and where none of them does, all who do.
     *
     * @param  list<Teammate>  $team
     * @return list<Teammate>
     */
    private function leadsFor(Conversation $conversation, array $team): array
    {
        $reading = array_filter($team, fn (Teammate $person): bool => $this->whoMayRead->mayReadConversation($person->id, $conversation));
        $leads = array_filter($reading, static fn (Teammate $person): bool => $person->role === Role::Lead);

        $isForMembers = $this->whoMayRead->of($conversation->category_id) !== null;

        return array_values(array_filter(
            $leads === [] && $isForMembers ? $reading : $leads, static fn (Teammate $person): bool => ! $person->isAway()
        ));
    }

    /**
     * @param  list<Teammate>  $team
     * @return list<Teammate> the one, where there is such a person
     */
    private static function personOf(array $team, ?int $id): array
    {
        return array_values(array_filter($team, static fn (Teammate $person): bool => $person->id === $id));
    }

    /**
     * @param  list<Teammate>  $team
     * @param  list<Teammate>  $concerned
     */
    private function tellOfNote(JournalEntry $entry, array $team, array $concerned, string $text): void
    {
        $named = Mentions::in((string) $entry->note?->text, $team);
        $this->to($named, NewsKind::Mentioned, $entry, $text);
        $this->to(
            array_values(
                array_filter(
                    $concerned,
                    static fn (Teammate $person): bool => ! in_array(
                        $person->id, array_map(static fn (Teammate $one): int => $one->id, $named), true
                    )
                )
            ),
            NewsKind::Noted, $entry, $text
        );
    }

    /**
     * @param  list<Teammate>  $owner
     * @param  list<Teammate>  $followers
     */
    private function tellOfState(JournalEntry $entry, StateChanged $change, array $owner, array $followers, string $text): void
    {
        $cameBack = $entry->actor === 'application'
            && $change->from === ConversationState::Held
            && $change->to === ConversationState::Open;
        $conversation = $entry->conversation;
        if ($cameBack) {
            $this->to(
                [...$owner, ...$followers], NewsKind::CameBack, $entry,
                "{$conversation->number()} “{$conversation->subject}” is back: {$entry->why}"
            );
        } elseif ($entry->teammate_id !== null) {
            $this->to($followers, NewsKind::StateChanged, $entry, $text);
        }
    }

    /**
     * Everybody once, and nobody of what they did themselves.
     *
     * @param  list<Teammate>  $people
     */
    private function to(array $people, NewsKind $kind, JournalEntry $entry, string $text, bool $alsoOwn = false): void
    {
        $others = [];
        foreach ($people as $person) {
            if ($alsoOwn || $person->id !== $entry->teammate_id) {
                $others[$person->id] = $person;
            }
        }
        $this->tell->people(array_values($others), $kind, "entry-{$entry->id}", $text, $entry->conversation_id);
    }
}
