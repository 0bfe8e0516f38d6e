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
    public const MOST = 200;

    public function __construct(private PromiseSets $sets, private SavePromiseSet $save) {}

    /**
     * @throws RulesRefused|UnknownField
     */
    public function of(?PromiseSet $set, PromiseSetToSave $written): PromiseSetPreview
    {
        $draft = $this->save->draft($set, $written);
        $asks = Condition::read(json_decode((string) json_encode($written->condition)));
        $order = $this->orderWith($set, $asks);
        $now = CarbonImmutable::now()->utc()->startOfSecond()->toDateTimeImmutable();
        $open = Conversation::readable()->where('state', ConversationState::Open)->whereNull('joined_into_id');
        $conversations = Conversation::readable()->where('state', ConversationState::Open)->whereNull('joined_into_id')
            ->with($this->reads($order))->orderBy('next_up')->limit(self::MOST)->get();
        $changes = $fit = 0;
        $missed = [];
        foreach ($conversations as $conversation) {
            $fitting = $this->sets->firstOf($conversation, $order);
            $isIts = $fitting !== null && $fitting->id === ($set->id ?? 0);
            $fit += $isIts ? 1 : 0;
            $before = $this->due($conversation, $conversation->promise_set_id === null
                ? null
                : $this->sets->versions($conversation->promise_set_id)->last(), $now);
            $after = $this->due($conversation, match (true) {
                $isIts => $draft,
                $fitting === null => null,
                default => $this->sets->versions($fitting->id)->last(),
            }, $now);
            $changes += $before != $after ? 1 : 0;
            if ($after !== null && $after <= $now && ($before === null || $before > $now)) {
                $missed[] = $conversation;
            }
        }

        return new PromiseSetPreview($conversations->count(), $open->count(), $fit, $changes, $missed);
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
