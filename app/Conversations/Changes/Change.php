<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Conversations\Actor;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\JournalKind;
use App\Fields\FieldRefused;
use Cairnfield\Core\Rules\Plan;
use Illuminate\Database\Eloquent\Collection;

/**
 * One thing that can be changed of a conversation, for all who change it: rules, the steps of templates, many at
 * once, and the pages. Registered once, in `Changes`; see docs/adding.md.
 */
abstract class Change
{
    /**
     * By which it is kept where it is arranged; those that set one value are named as the core's plan names them.
     */
    abstract public function key(): string;

    /**
     * What it does, before what was chosen: “set the priority to”.
     */
    abstract public function phrase(): string;

    /**
     * Under what it stands among others: “Priority”.
     */
    abstract public function group(): string;

    /**
     * Checked against what there is: what it names is there and can be used.
     *
     * @return string what was chosen, in words: “high”
     *
     * @throws ChangeRefused
     */
    abstract public function check(Chosen $chosen, ThingsInUse $things, ChangeUse $use): string;

    /**
     * Makes it, in one transaction with its journal entry. Where it is so already, nothing happens.
     *
     * @param  Chosen  $chosen  one that was checked
     * @param  string  $why  for the trail
     *
     * @throws ConversationRefused|FieldRefused
     */
    abstract public function make(Conversation $conversation, Chosen $chosen, Actor $actor, string $why): void;

    /**
     * The entries that it writes.
     *
     * @return list<JournalKind>
     */
    abstract public function records(): array;

    /**
     * What can be chosen.
     *
     * @return array<int|string, string> value to label; empty where nothing is chosen
     */
    public function choices(ChangeUse $use): array
    {
        return [];
    }

    /**
     * Whether something is chosen at all, also where there is nothing to choose from yet.
     */
    public function hasChoices(): bool
    {
        return true;
    }

    /**
     * What is written beside the choice, or instead of one; null where nothing is.
     */
    public function text(): ?string
    {
        return null;
    }

    /**
     * Whether what is written is asked for with this choice.
     */
    public function takesText(string $value): bool
    {
        return $this->text() !== null;
    }

    /**
     * Whether working hours are asked for with this choice.
     */
    public function takesHours(string $value): bool
    {
        return false;
    }

    /**
     * Whether a person is asked for in whose name it is done.
     */
    public function takesPerson(): bool
    {
        return false;
    }

    /**
     * Whether choosing nothing means something.
     */
    public function canBeEmpty(): bool
    {
        return false;
    }

    public function isOfferedTo(ChangeUse $use): bool
    {
        return true;
    }

    /**
     * Whether only those may do it by hand who write to customers.
     */
    public function isForThoseWhoAnswer(): bool
    {
        return false;
    }

    /**
     * Whether a second one takes the place of the first.
     */
    public function setsOneValue(): bool
    {
        return Plan::setsOneValue($this->key());
    }

    /**
     * As it is said in few words, where it goes along with an answer: “priority high”.
     *
     * @param  string  $words  what was chosen, as `check` says it
     */
    public function briefly(Chosen $chosen, string $words): string
    {
        return mb_strtolower($this->group()).' '.$words;
    }

    /**
     * What it needs to be there, so that nobody takes that away unawares.
     *
     * @return list<Reference>
     */
    public function references(Chosen $chosen): array
    {
        return [];
    }

    /**
     * Why it cannot be done just now, though nothing is wrong with it.
     */
    public function whyNot(Conversation $conversation, Chosen $chosen): ?string
    {
        return null;
    }

    /**
     * Those of some conversations of which it is so already, with the reason as it is told.
     *
     * @param  Collection<int, Conversation>  $conversations
     * @return array<int, string> by their numbers
     */
    public function alreadySo(Collection $conversations, Chosen $chosen): array
    {
        return [];
    }

    /**
     * @param  Collection<int, Conversation>  $conversations
     * @param  callable(Conversation): bool  $is
     * @return array<int, string>
     */
    final protected static function those(Collection $conversations, callable $is, string $reason): array
    {
        return $conversations->filter($is)->mapWithKeys(static fn (Conversation $one): array => [$one->id => $reason])->all();
    }
}
