<?php

declare(strict_types=1);

namespace App\Templates;

use App\Checklists\Checklist;
use App\Fields\About;
use App\Fields\OwnField;
use App\Nudges\NudgePlan;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Support\Written;
use App\Team\Team;
use App\Team\Teammate;
use Cairnfield\Core\Queue\Priority;
use Illuminate\Http\Request;

/**
 * Steps in a form: those there are as ticks, and one more to choose, some with a text of their own.
 */
final class StepChoices
{
    /** What is written beside the choice belongs to it. */
    private const WITH_TEXT = [StepKind::Tag, StepKind::Untag, StepKind::Hold, StepKind::Cc, StepKind::Bcc];

    /**
     * @return array<string, array<string, string>> by group, `kind=value` and its label
     */
    public function all(): array
    {
        $outcomes = Outcome::inUse()->get();

        return [
            'State afterwards' => [
                'then=waiting' => 'Waiting on customer', 'then=open' => 'stays Open',
                ...$outcomes->mapWithKeys(
                    static fn (Outcome $outcome): array => ["then=resolved:{$outcome->id}" => "Resolved, {$outcome->name}"]
                )->all(),
                'hold=' => 'hold for … working hours | who must act first',
            ],
            'Owner and team' => [
                'owner=me' => 'owner: who sends it', 'owner=' => 'owner: nobody', 'owner=turn' => 'owner: whoever’s turn it is',
                'owner=lead' => 'owner: the lead on duty',
                ...Teammate::query()
                    ->where('may_sign_in', true)
                    ->orderBy('name')
                    ->get()
                    ->mapWithKeys(static fn (Teammate $person): array => ["owner={$person->id}" => "owner {$person->name}"])
                    ->all(),
                ...Team::query()
                    ->orderBy('name')
                    ->get()
                    ->mapWithKeys(static fn (Team $team): array => ["team={$team->id}" => "team {$team->name}"])
                    ->all(),
            ],
            'Category' => Category::inUse()
                ->get()
                ->mapWithKeys(static fn (Category $category): array => ["category={$category->id}" => $category->path])
                ->all(),
            'Priority' => array_combine(
                array_map(static fn (Priority $priority): string => "priority={$priority->value}", Priority::cases()),
                array_map(static fn (Priority $priority): string => "priority {$priority->value}", Priority::cases())
            ),
            'Tags' => ['tag=' => 'add the tag …', 'untag=' => 'take the tag away …'],
            'Own fields' => OwnField::inUse()
                ->where('about', About::Conversation)
                ->get()
                ->mapWithKeys(static fn (OwnField $field): array => ["field={$field->word}|" => "{$field->name}: …"])
                ->all(),
            'Checklists' => Checklist::inUse()
                ->get()
                ->mapWithKeys(static fn (Checklist $checklist): array => ["checklist={$checklist->id}" => "start “{$checklist->name}”"])
                ->all(),
            'Nudge plans' => NudgePlan::inUse()
                ->get()
                ->mapWithKeys(static fn (NudgePlan $plan): array => ["nudge={$plan->id}" => "remind with “{$plan->name}”"])
                ->all(),
            'Copies' => ['cc=' => 'Cc …', 'bcc=' => 'Bcc …'],
        ];
    }

    /**
     * The ticked ones, and the one that was chosen in addition.
     *
     * @return list<Step>
     *
     * @throws TemplateProblem
     */
    public function read(Request $request): array
    {
        return Step::all($this->written($request));
    }

    /**
     * As `read`, but what is not possible is told instead of refused.
     *
     * @return array{list<Step>, list<string>}
     */
    public function kept(Request $request): array
    {
        return Step::possible($this->written($request));
    }

    /**
     * @return list<array{do: string, value: string}>
     */
    private function written(Request $request): array
    {
        $written = array_filter((array) $request->input('steps'), is_string(...));
        $more = $request->input('step');
        if (is_string($more) && $more !== '') {
            [$do] = explode('=', $more, 2);
            $takesText = in_array(StepKind::tryFrom($do), self::WITH_TEXT, true) || str_ends_with($more, '|');
            $written[] = $takesText ? $more.trim(Written::text($request, 'step_text')) : $more;
        }

        return array_values(array_map(static function (string $one): array {
            [$do, $value] = [...explode('=', $one, 2), ''];

            return ['do' => $do, 'value' => $value];
        }, $written));
    }
}
