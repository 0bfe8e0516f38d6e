<?php

declare(strict_types=1);

namespace App\Templates;

use App\Checklists\Checklist;
use App\Checklists\WorkThroughChecklist;
use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\AssignTeam;
use App\Conversations\ChangeState;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\SetCategory;
use App\Conversations\SetOwnField;
use App\Conversations\SetPriority;
use App\Fields\About;
use App\Fields\FieldRefused;
use App\Fields\OwnField;
use App\Nudges\NudgePlan;
use App\Nudges\StartNudge;
use App\Promises\StoreHours;
use App\Sorting\Category;
use App\Sorting\Tag;
use App\Team\TakeTurns;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Text\Folding;

/**
 * Does what goes along with an answer, by the same actions as by hand. Runs in the transaction of the answer, so
 * that both are done or neither is.
 */
final readonly class ApplySteps
{
    public function __construct(
        private AssignConversation $assign,
        private AssignTeam $assignTeam,
        private SetCategory $setCategory,
        private SetPriority $setPriority,
        private ChangeTags $changeTags,
        private SetOwnField $setOwnField,
        private ChangeState $changeState,
        private WorkThroughChecklist $checklists,
        private StoreHours $hours,
        private StartNudge $nudges,
        private TakeTurns $turns,
    ) {}

    /**
     * @param  list<Step>  $steps
     * @param  string  $why  for the trail
     *
     * @throws ConversationRefused|FieldRefused
     */
    public function apply(Conversation $conversation, array $steps, Actor $actor, string $why): void
    {
        foreach ($steps as $step) {
            $this->one($conversation->refresh(), $step, $actor, $why);
        }
    }

    /**
     * @param  Conversation  $conversation  as it is now
     *
     * @throws ConversationRefused|FieldRefused
     */
    public function one(Conversation $conversation, Step $step, Actor $actor, string $why): void
    {
        $id = (int) $step->value;
        match ($step->kind) {
            StepKind::Hold => $this->hold($conversation, $step, $actor),
            StepKind::Category => $this->setCategory->set($conversation, Category::query()->findOrFail($id), $actor, $why),
            StepKind::Priority => $this->setPriority->set($conversation, Priority::from($step->value), $actor, $why),
            StepKind::Owner => $this->assign->assign($conversation, match ($step->value) {
                'me' => $actor->teammate,
                'turn' => $this->turns->next($conversation) ?? $conversation->owner,
                'lead' => Teammate::leadOnDuty(),
                '' => null,
                default => Teammate::query()->findOrFail($id),
            }, $actor, $why),
            StepKind::Team => $this->assignTeam->assign($conversation, Team::query()->findOrFail($id), $actor, $why),
            StepKind::Tag => $this->changeTags->change($conversation, [ChangeTags::named($step->value)], [], $actor, $why),
            StepKind::Untag => $this->changeTags->change(
                $conversation, [], array_values(Tag::query()->where('folded', Folding::fold($step->value))->get()->all()), $actor,
                $why
            ),
            StepKind::Field => $this->field($conversation, $step, $actor, $why),
            StepKind::Checklist => $this->checklists->start($conversation, Checklist::query()->findOrFail($id), $actor, $why),
            StepKind::Nudge => $this->nudge($conversation, $step, $actor),
            // Part of the answer itself.
            StepKind::Then, StepKind::Cc, StepKind::Bcc => null,
        };
    }

    private function hold(Conversation $conversation, Step $step, Actor $actor): void
    {
        [$hours, $reason] = $step->holdsFor();
        $this->changeState->hold($conversation, $actor, $reason, $this->hours->after(now(), $hours));
    }

    private function nudge(Conversation $conversation, Step $step, Actor $actor): void
    {
        $as = $actor->teammate ?? $conversation->owner;
        if ($as !== null) {
            $this->nudges->start($conversation, NudgePlan::query()->findOrFail((int) $step->value), $as, $actor);
        }
    }

    private function field(Conversation $conversation, Step $step, Actor $actor, string $why): void
    {
        [$word, $written] = [...explode('|', $step->value, 2), ''];
        $field = OwnField::inUse()->where('about', About::Conversation)->where('word', $word)->firstOrFail();
        $this->setOwnField->set($conversation, $field, $written, $actor, null, $why);
    }
}
