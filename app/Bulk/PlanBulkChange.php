<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Conditions\ConditionQuery;
use App\Conversations\Changes\ChangeRefused;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\ChangeUse;
use App\Conversations\Changes\Chosen;
use App\Conversations\Changes\ThingsInUse;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Queue\QueueFilter;
use App\Team\Teammate;
use App\Templates\Template;
use App\Views\ShownView;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Works out what a change would do with each of the conversations chosen, and keeps that as the plan to be
 * looked at. Nothing is changed yet.
 */
final readonly class PlanBulkChange
{
    public const MOST = 5000;

    private const AT_ONCE = 500;

    /** Of so many it is tried out beforehand whether each can be answered. */
    public const TRIED = 200;

    public function __construct(private ConditionQuery $conditions, private Changes $changes, private BulkReplies $replies) {}

    /**
     * @param  string  $change  `key:value`, as it stands in the form
     */
    public function isForThoseWhoAnswer(string $change): bool
    {
        $does = explode(':', $change, 2)[0];

        return BulkAnswer::tryFrom($does) !== null || $this->changes->find($does, ChangeUse::Bulk)?->isForThoseWhoAnswer() === true;
    }

    /**
     * @param  list<int>  $ids
     *
     * @throws BulkRefused
     */
    public function ofChosen(array $ids, string $change, string $text, Teammate $teammate): BulkChange
    {
        return $this->plan(array_values(array_unique($ids)), $change, $text, $teammate);
    }

    /**
     * All that a view holds at this moment, as it is narrowed.
     *
     * @throws BulkRefused
     */
    public function ofView(ShownView $view, QueueFilter $filter, string $change, string $text, Teammate $teammate): BulkChange
    {
        $query = Conversation::readable($teammate);
        $filter->narrow($query);
        $view->narrow($query, $this->conditions, $teammate, $filter->owner);
        $ids = $query->limit(self::MOST + 1)->pluck('id')->all();

        return $this->plan(array_values(array_map(intval(...), $ids)), $change, $text, $teammate);
    }

    /**
     * @param  list<int>  $ids
     */
    private function plan(array $ids, string $change, string $text, Teammate $teammate): BulkChange
    {
        if ($ids === []) {
            throw BulkRefused::nothingChosen();
        }
        if (count($ids) > self::MOST) {
            throw BulkRefused::tooMany(self::MOST);
        }
        [$does, $value] = [...explode(':', $change, 2), ''];
        [$label, $chosen] = $this->label($does, $value, trim($text), $teammate);
        $bulk = new BulkChange;
        DB::transaction(function () use ($bulk, $ids, $does, $chosen, $label, $teammate): void {
            $bulk->forceFill([
                'teammate_id' => $teammate->id,
                'does' => $does,
                'value' => $chosen->value,
                'text' => $chosen->text === '' ? null : $chosen->text,
                'label' => Str::limit($label, 290),
                'state' => BulkChange::PLANNED,
            ])->save();
            foreach (array_chunk($ids, self::AT_ONCE) as $chunk) {
                $seen = DB::table('journal')
                    ->whereIn('conversation_id', $chunk)
                    ->groupBy('conversation_id')
                    ->selectRaw('conversation_id, MAX(id) AS id')
                    ->pluck('id', 'conversation_id');
                $conversations = Conversation::readable($teammate)->whereKey($chunk)->get();
                $reasons = $this->whySkipped($bulk, $conversations);
                if ($bulk->answersBy() !== null && count($ids) <= self::TRIED) {
                    $reasons += $this->whyNotAnswered($bulk, array_diff($chunk, array_keys($reasons)), $seen->all(), $teammate);
                }
                BulkItem::query()->insert($conversations->map(static fn (Conversation $conversation): array => [
                    'bulk_change_id' => $bulk->id,
                    'conversation_id' => $conversation->id,
                    'state' => isset($reasons[$conversation->id]) ? BulkItem::SKIPPED : BulkItem::PLANNED,
                    'reason' => $reasons[$conversation->id] ?? '',
                    'seen' => (int) ($seen[$conversation->id] ?? 0),
                ])->all());
            }
        });

        return $bulk;
    }

    /**
     * @return array{string, Chosen} what will be done, in words, and what was chosen, as it is kept
     */
    private function label(string $does, string $value, string $text, Teammate $teammate): array
    {
        $change = $this->changes->find($does, ChangeUse::Bulk);
        if ($change !== null) {
            $chosen = $change->hasChoices() ? new Chosen($value, $text) : new Chosen('', $value === '' ? $text : $value);
            try {
                return [ucfirst(trim($change->phrase().' '.$change->check($chosen, new ThingsInUse, ChangeUse::Bulk))), $chosen];
            } catch (ChangeRefused $why) {
                throw BulkRefused::change($change->phrase(), $why);
            }
        }

        return match (BulkAnswer::tryFrom($does)) {
            BulkAnswer::Template => [
                'Answer with “'.Template::usableBy(
                    $teammate, (int) $value, BulkRefused::templateGone(...)
                )->name.'”, each in their language',
                new Chosen($value),
            ],
            BulkAnswer::Answer => [
                $text === '' ? throw ConversationRefused::nothingWritten() : 'Answer: “'.Str::limit(Str::squish($text), 120).'”',
                new Chosen('', $text),
            ],
            null => throw BulkRefused::noChange(),
        };
    }

    /**
     * @param  Collection<int, Conversation>  $conversations
     * @return array<int, string> the reason, by the number of the conversation
     */
    private function whySkipped(BulkChange $bulk, Collection $conversations): array
    {
        $those = static fn (callable $is, string $reason): array => $conversations->filter($is)
            ->mapWithKeys(static fn (Conversation $one): array => [$one->id => $reason])->all();
        $joined = $those(static fn (Conversation $one): bool => $one->joined_into_id !== null, 'it is part of another conversation');
        if ($bulk->answersBy() !== null) {
            return $joined
                + $those(static fn (Conversation $one): bool => $one->state === ConversationState::Closed, 'it is closed for good')
                + $those(static fn (Conversation $one): bool => $one->public, 'what was said in public is answered by hand');
        }

        return $joined + $this->changes->get($bulk->does, ChangeUse::Bulk)->alreadySo($conversations, $bulk->chosen());
    }

    /**
     * Each is looked at like one that is answered by hand.
     *
     * @param  array<int, int>  $ids
     * @param  array<int, int|string>  $seen  the last journal entry of each
     * @return array<int, string> by id
     */
    private function whyNotAnswered(BulkChange $bulk, array $ids, array $seen, Teammate $teammate): array
    {
        $reasons = [];
        foreach ($ids as $id) {
            $conversation = Conversation::query()->find($id);
            $why = $conversation === null ? null : $this->replies->whyNot($bulk, $conversation, $teammate, (int) ($seen[$id] ?? 0));
            $why === null ?: $reasons[$id] = $why;
        }

        return $reasons;
    }
}
