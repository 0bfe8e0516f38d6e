<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Changes\Change;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\ChangeUse;
use App\Sorting\Outcome;
use App\Team\Teammate;
use App\Templates\Template;
use App\Templates\TemplateLanguage;
use App\Views\SharedWith;

/**
 * All that a rule can do: what can be changed of a conversation, and what only rules do; with what is chosen and
 * written for each.
 */
final class ActionCatalogue
{
    /** @var array<string, array<int|string, string>> */
    private array $made = [];

    public function __construct(private readonly Changes $changes) {}

    /**
     * @return array<string, string> by its key, in words
     */
    public function all(): array
    {
        $own = [];
        foreach (ActionKind::cases() as $kind) {
            $own[$kind->value] = $kind->label();
        }

        return [
            ...array_map(static fn (Change $change): string => $change->phrase(), $this->changes->offeredTo(ChangeUse::Rule)), ...$own,
        ];
    }

    public function change(string $do): ?Change
    {
        return $this->changes->find($do, ChangeUse::Rule);
    }

    /**
     * In words, also where it is nothing that a rule can do any more.
     */
    public function phrase(string $do): string
    {
        return $this->all()[$do] ?? $do;
    }

    /**
     * The events that it brings about, for finding cycles.
     *
     * @return list<RuleEvent>
     */
    public function causes(string $do): array
    {
        $records = $this->change($do)?->records();

        return $records === null
            ? ActionKind::tryFrom($do)?->causes() ?? []
            : array_values(array_filter(
                RuleEvent::cases(), static fn (RuleEvent $event): bool => in_array($event->kind(), $records, true)
            ));
    }

    /**
     * @return array<int|string, string> value to label; empty where nothing is chosen
     */
    public function choices(string $do): array
    {
        return $this->made[$do] ??= $this->change($do)?->choices(ChangeUse::Rule) ?? $this->ownChoices(ActionKind::tryFrom($do));
    }

    public function hasChoices(string $do): bool
    {
        return ActionKind::tryFrom($do)?->hasChoices() ?? $this->change($do)?->hasChoices() ?? false;
    }

    public function canBeEmpty(string $do): bool
    {
        return $this->change($do)?->canBeEmpty() ?? false;
    }

    /**
     * What is written beside what was chosen; null where nothing is.
     */
    public function text(string $do, string $value): ?string
    {
        $change = $this->change($do);

        return $change === null ? ActionKind::tryFrom($do)?->text() : ($change->takesText($value) ? $change->text() : null);
    }

    public function takesHours(string $do, string $value): bool
    {
        return $this->change($do)?->takesHours($value) ?? ActionKind::tryFrom($do)?->takesHours() ?? false;
    }

    public function takesPerson(string $do): bool
    {
        return $this->change($do)?->takesPerson() ?? ActionKind::tryFrom($do)?->takesPerson() ?? false;
    }

    public function answers(string $do): bool
    {
        return ActionKind::tryFrom($do)?->answers() ?? false;
    }

    /**
     * @return array<int|string, string>
     */
    public function people(): array
    {
        return $this->made['people'] ??= Teammate::working()->pluck('name', 'id')->all();
    }

    /**
     * States after an answer.
     *
     * @return array<string, string>
     */
    public function afterwards(): array
    {
        return [
            'same' => 'leave the state as it is', 'waiting' => 'then wait for the customer',
            ...Outcome::inUse()->get()->mapWithKeys(
                static fn (Outcome $outcome): array => ["resolved:{$outcome->id}" => "then resolved, {$outcome->name}"]
            )->all(),
        ];
    }

    /**
     * @return array<int|string, string>
     */
    private function ownChoices(?ActionKind $kind): array
    {
        return match ($kind) {
            ActionKind::Answer => Template::query()
                ->whereNull('retired_at')
                ->where('shared_with', '!=', SharedWith::Nobody)
                ->orderBy('folder')
                ->orderBy('name')
                ->pluck('name', 'id')
                ->all(),
            ActionKind::AskRating => TemplateLanguage::query()
                ->where('text', 'like', '%rating.link%')
                ->join('templates', 'templates.id', '=', 'template_languages.template_id')
                ->whereNull('templates.retired_at')
                ->where('templates.shared_with', '!=', SharedWith::Nobody)
                ->orderBy('templates.name')
                ->pluck('templates.name', 'templates.id')
                ->all(),
            ActionKind::AskApproval => ['leads' => 'a lead'] + Teammate::approvers()->pluck('name', 'id')->all(),
            ActionKind::GiveBack, ActionKind::AskGiveBack => GiveBackByRule::WHAT,
            ActionKind::Tell => ['owner' => 'the owner', 'team' => 'its team', 'leads' => 'the leads'] + $this->people(),
            ActionKind::Task => ['owner' => 'the owner'] + $this->people(),
            ActionKind::CallHook => Hook::inUse()->pluck('name', 'id')->all(),
            default => [],
        };
    }
}
