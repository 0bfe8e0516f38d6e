<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Conditions\ConditionQuery;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Fields\FieldRefused;
use App\Queue\QueueFilter;
use App\Sorting\Tag;
use App\Team\Teammate;
use App\Views\ShownView;
use Cairnfield\Core\Queue\Priority;
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

    public function __construct(private ConditionQuery $conditions) {}

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
        $query = Conversation::query();
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
        $action = BulkAction::tryFrom($does) ?? throw BulkRefused::noChange();
        [$label, $value] = $this->label($action, $value, $text, $teammate);
        $bulk = new BulkChange;
        DB::transaction(function () use ($bulk, $ids, $action, $value, $text, $label, $teammate): void {
            $bulk->forceFill([
                'teammate_id' => $teammate->id,
                'does' => $action,
                'value' => $value,
                'text' => trim($text) === '' ? null : $text,
                'label' => Str::limit($label, 290),
                'state' => BulkChange::PLANNED,
            ])->save();
            foreach (array_chunk($ids, self::AT_ONCE) as $chunk) {
                $seen = DB::table('journal')
                    ->whereIn('conversation_id', $chunk)
                    ->groupBy('conversation_id')
                    ->selectRaw('conversation_id, MAX(id) AS id')
                    ->pluck('id', 'conversation_id');
                $tagged = $action === BulkAction::Tag || $action === BulkAction::Untag
                    ? DB::table('conversation_tag')->where('tag_id', (int) $value)->whereIn('conversation_id', $chunk)->pluck('conversation_id')->all()
                    : [];
                BulkItem::query()->insert(Conversation::query()->whereKey($chunk)->get()->map(function (Conversation $conversation) use ($bulk, $seen, $tagged): array {
                    $reason = $this->whySkipped($bulk, $conversation, in_array($conversation->id, $tagged, true));

                    return [
                        'bulk_change_id' => $bulk->id,
                        'conversation_id' => $conversation->id,
                        'state' => $reason === '' ? BulkItem::PLANNED : BulkItem::SKIPPED,
                        'reason' => $reason,
                        'seen' => (int) ($seen[$conversation->id] ?? 0),
                    ];
                })->all());
            }
        });

        return $bulk;
    }

    /**
     * @return array{string, string} what will be done, in words, and the value as it is kept
     */
    private function label(BulkAction $action, string $value, string $text, Teammate $teammate): array
    {
        $id = (int) $value;

        return match ($action) {
            BulkAction::Owner => [$value === '' ? 'Give back: nobody’s yet' : 'Give to '.ChosenThing::person($id)->name, $value],
            BulkAction::Team => ['Give to the team '.ChosenThing::team($id)->name, $value],
            BulkAction::Category => ['Category '.ChosenThing::category($id)->path, $value],
            BulkAction::Priority => ['Priority '.(Priority::tryFrom($value) ?? throw BulkRefused::gone('priority'))->value, $value],
            BulkAction::Tag => $this->tag($text !== '' ? $text : $value),
            BulkAction::Untag => ['Take the tag “'.ChosenThing::tag($id)->name.'” away', $value],
            BulkAction::Field => [$this->field($id, $text), $value],
            BulkAction::Resolve => ['Resolve: '.ChosenThing::outcome($id)->name, $value],
            BulkAction::Junk => ['Put with the junk', ''],
            BulkAction::Template => ['Answer with “'.ChosenThing::template($id, $teammate)->name.'”, each in their language', $value],
            BulkAction::Answer => [
                trim($text) === '' ? throw ConversationRefused::nothingWritten() : 'Answer: “'.Str::limit(Str::squish($text), 120).'”', '',
            ],
        };
    }

    /**
     * @return array{string, string}
     */
    private function tag(string $name): array
    {
        $tag = ctype_digit($name) ? Tag::query()->find((int) $name) : null;
        $tag ??= ChangeTags::named($name);

        return ["Tag “{$tag->name}”", (string) $tag->id];
    }

    /**
     * @throws FieldRefused
     */
    private function field(int $id, string $text): string
    {
        $field = ChosenThing::field($id);
        $field->kind->read($text, $field->choices, $field->name);

        return "{$field->name}: ".(trim($text) === '' ? 'nothing' : $text);
    }

    private function whySkipped(BulkChange $bulk, Conversation $conversation, bool $isTagged): string
    {
        $id = $bulk->value === '' ? null : (int) $bulk->value;

        return match (true) {
            $conversation->joined_into_id !== null => 'it is part of another conversation',
            (
                $bulk->does->answers() || in_array($bulk->does, [BulkAction::Resolve, BulkAction::Junk], true)
            ) && $conversation->state === ConversationState::Closed => 'it is closed for good',
            $bulk->does->answers() && $conversation->public => 'what was said in public is answered by hand',
            $bulk->does === BulkAction::Resolve && $conversation->state === ConversationState::Resolved => 'it is resolved already',
            $bulk->does === BulkAction::Owner && $conversation->owner_id === $id => $id === null
                ? 'nobody has it'
                : 'it lies with them already',
            $bulk->does === BulkAction::Team && $conversation->team_id === $id => 'the team has it already',
            $bulk->does === BulkAction::Category && $conversation->category_id === $id => 'it has this category',
            $bulk->does === BulkAction::Priority && $conversation->priority->value === $bulk->value => 'it has this priority',
            $bulk->does === BulkAction::Junk && $conversation->junk => 'it is with the junk',
            $bulk->does === BulkAction::Tag && $isTagged => 'it has this tag',
            $bulk->does === BulkAction::Untag && ! $isTagged => 'it has not this tag',
            default => '',
        };
    }
}
