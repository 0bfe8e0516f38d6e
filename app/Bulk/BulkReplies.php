<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Answering\AnswerRoutes;
use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Conversations\CameInBetween;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Fields\FieldRefused;
use App\Team\Teammate;
use App\Templates\AnswerFromTemplate;
use App\Templates\FillTemplate;
use App\Templates\Template;
use App\Templates\TemplateProblem;
use App\Templates\Unattended;

/**
 * The answer that one of many gets: the same text, or a template filled for them.
 */
final readonly class BulkReplies
{
    public function __construct(private AnswerRoutes $routes, private FillTemplate $fill, private SendReply $sendReply) {}

    /**
     * @param  int  $seen  the last journal entry that was there when it was planned
     *
     * @throws BulkRefused|ConversationRefused|TemplateProblem when there is none for this one
     */
    public function of(BulkChange $bulk, Conversation $conversation, Teammate $teammate, int $seen): ReplyToSend
    {
        $route = $this->routes->of($conversation)[0] ?? throw ConversationRefused::nobodyToAnswer();
        $key = $route->public ? throw ConversationRefused::chooseWay() : $route->key;
        $once = "bulk-{$bulk->id}-{$conversation->id}";
        $waits = (int) config('cairnfield.outbox.bulk_call_back_seconds');
        if ($bulk->answersBy() === BulkAnswer::Answer) {
            return new ReplyToSend((string) $bulk->text, [], ConversationState::Waiting, null, $once, $seen, $key, $waits);
        }
        $template = Template::usableBy($teammate, (int) $bulk->value, BulkRefused::templateGone(...));
        // Nobody reads each of them before it leaves.
        $filled = $this->fill->fill($template, $conversation, $teammate, Unattended::by($route, $conversation, true));
        [$then, $outcome] = $filled->then();

        return AnswerFromTemplate::of($filled, $key, $then, $outcome, $once, $seen, $waits, $filled->stepsBut(), false);
    }

    /**
     * Why this one would not be answered, as things stand; null where it would.
     */
    public function whyNot(BulkChange $bulk, Conversation $conversation, Teammate $teammate, int $seen): ?string
    {
        try {
            $this->sendReply->refuseIfNotNow($conversation, $teammate, $this->of($bulk, $conversation, $teammate, $seen));

            return null;
        } catch (BulkRefused|ConversationRefused|FieldRefused|TemplateProblem|CameInBetween $why) {
            return mb_substr($why->getMessage(), 0, 300);
        }
    }

    /**
     * What this one would read; null where there is nothing to be sent.
     */
    public function text(BulkChange $bulk, Conversation $conversation, Teammate $teammate): ?string
    {
        try {
            return $this->of($bulk, $conversation, $teammate, 0)->text;
        } catch (BulkRefused|ConversationRefused|TemplateProblem) {
            return null;
        }
    }
}
