<?php

declare(strict_types=1);

namespace App\Rules;

use App\Checklists\Checklist;
use App\Conversations\ConversationState;
use App\Fields\About;
use App\Fields\OwnField;
use App\Nudges\NudgePlan;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Support\Languages;
use App\Team\Team;
use App\Team\Teammate;
use App\Templates\Template;
use App\Templates\TemplateLanguage;
use App\Views\SharedWith;
use Cairnfield\Core\Queue\Priority;

/**
 * What can be chosen for each thing that a rule does.
 */
final class ActionChoices
{
    /** @var array<string, array<int|string, string>> */
    private array $made = [];

    /**
     * @return array<int|string, string> value to label; empty where nothing is chosen
     */
    public function of(ActionKind $kind): array
    {
        return $this->made[$kind->value] ??= match ($kind) {
            ActionKind::SetPriority => array_combine(array_column(Priority::cases(), 'value'), array_column(Priority::cases(), 'value')),
            ActionKind::SetCategory => Category::inUse()->pluck('path', 'id')->all(),
            ActionKind::SetState => [
                ConversationState::Open->value => 'open',
                ConversationState::Waiting->value => 'wait for the customer',
                ConversationState::Held->value => 'held, because',
                ...$this->resolved(), ConversationState::Closed->value => 'closed for good',
            ],
            ActionKind::SetLanguage => Languages::all(),
            ActionKind::AssignPerson => [
                'turn' => 'whoever’s turn it is in its team', 'lead' => 'the lead on duty', '' => 'nobody',
            ] + $this->people(),
            ActionKind::AssignTeam => Team::query()->orderBy('name')->pluck('name', 'id')->all(),
            ActionKind::SetField => OwnField::inUse()->where('about', About::Conversation)->pluck('name', 'word')->all(),
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
            ActionKind::AskApproval => ['leads' => 'a lead'] + $this->people(),
            ActionKind::Tell => ['owner' => 'the owner', 'team' => 'its team', 'leads' => 'the leads'] + $this->people(),
            ActionKind::Checklist => Checklist::inUse()->pluck('name', 'id')->all(),
            ActionKind::Task => ['owner' => 'the owner'] + $this->people(),
            ActionKind::CallHook => Hook::inUse()->pluck('name', 'id')->all(),
            ActionKind::Nudge => NudgePlan::inUse()->pluck('name', 'id')->all(),
            ActionKind::AddTag, ActionKind::RemoveTag, ActionKind::Note, ActionKind::Stop => [],
        };
    }

    /**
     * @return array<int|string, string>
     */
    public function people(): array
    {
        return Teammate::query()->where('may_sign_in', true)->orderBy('name')->pluck('name', 'id')->all();
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
            ...array_map(static fn (string $label): string => "then {$label}", $this->resolved()),
        ];
    }

    /**
     * @return array<string, string>
     */
    private function resolved(): array
    {
        return $this->made['resolved'] ??= Outcome::inUse()
            ->get()
            ->mapWithKeys(static fn (Outcome $outcome): array => ["resolved:{$outcome->id}" => "resolved, {$outcome->name}"])
            ->all();
    }
}
