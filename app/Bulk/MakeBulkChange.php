<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Answering\AnswerRoutes;
use App\Answering\CameInBetween;
use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\AssignTeam;
use App\Conversations\ChangeState;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\JournalEntry;
use App\Conversations\JournalKind;
use App\Conversations\SetCategory;
use App\Conversations\SetOwnField;
use App\Conversations\SetPriority;
use App\Conversations\SortJunk;
use App\Fields\FieldRefused;
use App\Team\Teammate;
use App\Templates\AnswerFromTemplate;
use App\Templates\FillTemplate;
use App\Templates\TemplateProblem;
use Cairnfield\Core\Queue\Priority;
use Illuminate\Support\Facades\DB;

/**
 * Makes a planned change, one conversation after the other, by the same actions as by hand. One that others
 * have changed since it was chosen is left alone, with the reason. Safe to go on with after a break.
 */
final readonly class MakeBulkChange
{
    public const UNDO_MINUTES = 10;

    /** Of a conversation, what a change may set and undoing sets back. */
    private const KEPT = [
        ...Conversation::STATE, ...Conversation::OWNER, ...Conversation::CLOCK,
        'team_id', 'category_id', 'priority', 'junk', 'junk_reasons', 'first_replied_at', 'last_answered_at',
    ];

    public function __construct(
        private AssignConversation $assign,
        private AssignTeam $assignTeam,
        private SetCategory $setCategory,
        private SetPriority $setPriority,
        private ChangeTags $changeTags,
        private SetOwnField $setOwnField,
        private ChangeState $changeState,
        private SortJunk $sortJunk,
        private SendReply $sendReply,
        private AnswerRoutes $routes,
        private FillTemplate $fill,
    ) {}

    /**
     * @param  int  $most  how many to change before a break
     * @return bool whether all are done
     */
    public function go(BulkChange $bulk, int $most): bool
    {
        $teammate = $bulk->teammate()->firstOrFail();
        $items = BulkItem::query()
            ->where('bulk_change_id', $bulk->id)
            ->where('state', BulkItem::PLANNED)
            ->orderBy('conversation_id')
            ->limit($most)
            ->get();
        foreach ($items as $item) {
            $this->change($bulk, $item, $teammate);
        }
        if ($items->count() < $most) {
            $bulk->forceFill(['state' => BulkChange::DONE, 'undo_until' => now()->addMinutes(self::UNDO_MINUTES)])->save();

            return true;
        }

        return false;
    }

    private function change(BulkChange $bulk, BulkItem $item, Teammate $teammate): void
    {
        try {
            DB::transaction(function () use ($bulk, $item, $teammate): void {
                $conversation = Conversation::query()->lockForUpdate()->with('tags')->findOrFail($item->conversation_id);
                $other = $this->changedByOthers($bulk, $item);
                if ($other !== null) {
                    $this->set($item, ['state' => BulkItem::SKIPPED, 'reason' => "it was changed in between by {$other}"]);

                    return;
                }
                $before = $this->before($bulk, $conversation);
                $this->apply($bulk, $conversation, $teammate, $item->seen);
                $this->set(
                    $item,
                    [
                        'state' => BulkItem::CHANGED, 'before' => json_encode($before, JSON_THROW_ON_ERROR),
                        'changed_at_entry' => (int) JournalEntry::query()->where('conversation_id', $conversation->id)->max('id'),
                    ]
                );
            });
        } catch (BulkRefused|ConversationRefused|FieldRefused|TemplateProblem|CameInBetween $why) {
            $this->set($item, ['state' => BulkItem::SKIPPED, 'reason' => mb_substr($why->getMessage(), 0, 300)]);
        }
    }

    private function apply(BulkChange $bulk, Conversation $conversation, Teammate $teammate, int $seen): void
    {
        $actor = Actor::teammate($teammate);
        $id = (int) $bulk->value;
        $why = 'with many at once';
        match ($bulk->does) {
            BulkAction::Owner => $this->assign->assign($conversation, $bulk->value === '' ? null : ChosenThing::person($id), $actor, $why),
            BulkAction::Team => $this->assignTeam->assign($conversation, ChosenThing::team($id), $actor, $why),
            BulkAction::Category => $this->setCategory->set($conversation, ChosenThing::category($id), $actor, $why),
            BulkAction::Priority => $this->setPriority->set($conversation, Priority::from($bulk->value), $actor, $why),
            BulkAction::Tag => $this->changeTags->change($conversation, [ChosenThing::tag($id)], [], $actor, $why),
            BulkAction::Untag => $this->changeTags->change($conversation, [], [ChosenThing::tag($id)], $actor, $why),
            BulkAction::Field => $this->setOwnField->set($conversation, ChosenThing::field($id), (string) $bulk->text, $actor, null, $why),
            BulkAction::Resolve => $this->changeState->resolve($conversation, $teammate, ChosenThing::outcome($id), $seen),
            BulkAction::Junk => $this->sortJunk->junk($conversation, $teammate, null),
            BulkAction::Answer => $this->answer($bulk, $conversation, $teammate, $seen),
            BulkAction::Template => $this->template($bulk, $conversation, $teammate, $seen),
        };
    }

    private function answer(BulkChange $bulk, Conversation $conversation, Teammate $teammate, int $seen): void
    {
        $route = $this->routes->of($conversation)[0] ?? throw ConversationRefused::nobodyToAnswer();
        $this->sendReply->send($conversation, $teammate, new ReplyToSend(
            (string) $bulk->text,
            [],
            ConversationState::Waiting,
            null,
            "bulk-{$bulk->id}-{$conversation->id}",
            $seen,
            $route->public ? throw ConversationRefused::chooseWay() : $route->key,
            (int) config('cairnfield.outbox.bulk_call_back_seconds'),
        ));
    }

    /**
     * Each gets the template filled for them; where it cannot be, it is left out with the reason.
     */
    private function template(BulkChange $bulk, Conversation $conversation, Teammate $teammate, int $seen): void
    {
        $route = $this->routes->of($conversation)[0] ?? throw ConversationRefused::nobodyToAnswer();
        $template = ChosenThing::template((int) $bulk->value, $teammate);
        $filled = $this->fill->fill($template, $conversation, $teammate);
        [$then, $outcome] = $filled->then();
        $this->sendReply->send($conversation, $teammate, AnswerFromTemplate::of(
            $filled,
            $route->public ? throw ConversationRefused::chooseWay() : $route->key,
            $then,
            $outcome,
            "bulk-{$bulk->id}-{$conversation->id}",
            $seen,
            (int) config('cairnfield.outbox.bulk_call_back_seconds'),
            $filled->stepsBut(),
            false,
        ));
    }

    /**
     * Who changed it since, but for the person themselves; null where nobody did.
     */
    private function changedByOthers(BulkChange $bulk, BulkItem $item): ?string
    {
        $entry = JournalEntry::query()->where('conversation_id', $item->conversation_id)->where('id', '>', $item->seen)
            ->whereNotIn('kind', [JournalKind::Delivered, JournalKind::ReceiptSent])
            ->where(fn ($entries) => $entries->whereNull('teammate_id')->orWhere('teammate_id', '!=', $bulk->teammate_id))
            ->with('teammate')->orderBy('id')->first();

        return $entry === null
            ? null
            : $entry->teammate->name ?? ($entry->kind === JournalKind::MessageReceived ? 'the customer, who wrote' : 'Cairnfield');
    }

    /**
     * @return array<string, mixed>
     */
    private function before(BulkChange $bulk, Conversation $conversation): array
    {
        $raw = $conversation->getAttributes();
        $before = array_intersect_key($raw, array_flip(self::KEPT));
        $before['tags'] = $conversation->tags->modelKeys();
        if ($bulk->does === BulkAction::Field) {
            $before['field'] = DB::table('own_values')
                ->where('own_field_id', (int) $bulk->value)
                ->where('about_id', $conversation->id)
                ->orderBy('position')
                ->get(['position', 'text', 'folded', 'number'])
                ->all();
        }

        return $before;
    }

    /**
     * @param  array<string, mixed>  $values
     */
    private function set(BulkItem $item, array $values): void
    {
        BulkItem::query()
            ->where('bulk_change_id', $item->bulk_change_id)
            ->where('conversation_id', $item->conversation_id)
            ->update($values);
    }
}
