<?php

declare(strict_types=1);

namespace App\Promises;

use App\Conditions\UnknownField;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Rules\RuleFields;
use Cairnfield\Core\Promises\Timeline;
use Cairnfield\Core\Rules\Condition;
use Cairnfield\Core\Rules\RulesRefused;
use Carbon\CarbonImmutable;
use DateTimeImmutable;

/**
 * What a promise set would change if it were saved as it stands: for the open conversations that fall due first, reckoned and not
 * kept.
 */
final readonly class PreviewPromiseSet
{
    private const AT_ONCE = 200;

    /** Nobody waits longer for the first numbers; what is left is asked for by the page. */
    private const SECONDS = 2.0;

    public function __construct(private PromiseSets $sets, private SavePromiseSet $save) {}

    /**
     * Goes on from what was reckoned before, as far as it comes.
     *
     * @param  float  $seconds  after which it hands over what it has
     *
     * @throws RulesRefused|UnknownField
     */
    public function of(
        ?PromiseSet $set, PromiseSetToSave $written, PromiseSetPreview $before, float $seconds = self::SECONDS
    ): PromiseSetPreview {
        $draft = $this->save->draft($set, $written);
        $order = $this->orderWith($set, Condition::read(json_decode((string) json_encode($written->condition))));
        $now = CarbonImmutable::now()->utc()->startOfSecond()->toDateTimeImmutable();
        $open = Conversation::readable()->where('state', ConversationState::Open)->whereNull('joined_into_id');
        [$fit, $changes, $looked, $upTo] = [$before->fit, $before->changes, $before->looked, (int) $before->upTo];
        $missed = [];
        $until = hrtime(true) + (int) ($seconds * 1e9);
        do {
            $some = (clone $open)->where('conversations.id', '>', $upTo)->with($this->reads($order))->orderBy('id')
                ->limit(self::AT_ONCE)->get();
            foreach ($some as $conversation) {
                $fitting = $this->sets->firstOf($conversation, $order);
                $isIts = $fitting !== null && $fitting->id === ($set->id ?? 0);
                $was = $this->due($conversation, $conversation->promise_set_id === null
                    ? null
                    : $this->sets->versions($conversation->promise_set_id)->last(), $now);
                $becomes = $this->due($conversation, match (true) {
                    $isIts => $draft,
                    $fitting === null => null,
                    default => $this->sets->versions($fitting->id)->last(),
                }, $now);
                $fit += $isIts ? 1 : 0;
                $changes += $was != $becomes ? 1 : 0;
                if ($becomes !== null && $becomes <= $now && ($was === null || $was > $now)) {
                    $missed[] = $conversation->id;
                }
                $upTo = $conversation->id;
            }
            $looked += $some->count();
            $isAll = $some->count() < self::AT_ONCE;
        } while (! $isAll && hrtime(true) < $until);

        return new PromiseSetPreview(
            $open->count(), $isAll ? null : $upTo, $looked, $fit, $changes, $before->missed + count($missed),
            array_slice([...$before->named, ...$missed], 0, PromiseSetPreview::NAMED)
        );
    }

    /**
     * The sets as they would be tried, the draft at its place; a new one first of all.
     *
     * @return list<array{PromiseSet, Condition}>
     */
    private function orderWith(?PromiseSet $set, Condition $asks): array
    {
        $own = $set ?? (new PromiseSet)->forceFill(['id' => 0]);
        $others = $this->sets->inOrder();
        $isThere = array_filter($others, static fn (array $one): bool => $one[0]->id === $own->id) !== [];

        return $isThere
            ? array_map(static fn (array $one): array => $one[0]->id === $own->id ? [$own, $asks] : $one, $others)
            : [[$own, $asks], ...$others];
    }

    /**
     * @param  list<array{PromiseSet, Condition}>  $order
     * @return list<string>
     */
    private function reads(array $order): array
    {
        $reads = RuleFields::reads(...array_map(static fn (array $one): Condition => $one[1], $order));

        return array_values(array_filter($reads, static fn (string $one): bool => ! str_starts_with($one, 'message.')));
    }

    private function due(Conversation $conversation, ?PromiseSetVersion $version, DateTimeImmutable $now): ?DateTimeImmutable
    {
        $happened = $version === null ? null : WhatHappened::in($conversation);
        if ($version === null || $happened === null) {
            return null;
        }
        $due = [];
        $now = max($now, $happened->lastAt());
        foreach (Timeline::of($version->targets(), $happened->priority, $happened->createdAt, $happened->events, $now) as $instance) {
            $instance->dueAt === null ?: $due[] = $instance->dueAt;
        }

        return $due === [] ? null : min($due);
    }
}
