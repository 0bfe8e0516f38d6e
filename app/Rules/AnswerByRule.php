<?php

declare(strict_types=1);

namespace App\Rules;

use App\Answering\AnswerRoutes;
use App\Answering\SendReply;
use App\Conversations\ConversationState;
use App\Ratings\RatingRequests;
use App\Receiving\ReceiptText;
use App\Sorting\Outcome;
use App\Support\StoreSettings;
use App\Team\Teammate;
use App\Templates\AnswerFromTemplate;
use App\Templates\FillTemplate;
use App\Templates\Template;
use App\Templates\Unattended;
use App\Workspace\Trail;
use Illuminate\Support\Facades\DB;

/**
 * Answers with a template for a rule, as a person of the team. Nobody is flooded: machines are not answered
 * (RFC 3834, 2), and a person gets one answer from the same rule, and three in all, within 24 hours.
 */
final readonly class AnswerByRule
{
    public const MOST_A_MINUTE = 'rules.answers_a_minute';

    public const USUAL_A_MINUTE = 60;

    private const MOST_A_DAY = 3;

    public function __construct(
        private FillTemplate $fill,
        private AnswerRoutes $routes,
        private SendReply $sendReply,
        private Trail $trail,
        private StoreSettings $settings,
        private RatingRequests $ratingRequests,
    ) {}

    /**
     * Why this rule does not answer there; null where it does. Not answering is no failure.
     */
    public function whyNot(Rule $rule, RuleTrigger $trigger, bool $asksRating = false): ?string
    {
        $conversation = $trigger->conversation;
        $address = $this->address($trigger);
        $since = now()->subDay();
        $given = DB::table('rule_answers')->where('address', $address)->where('at', '>', $since);

        return $this->whyNever($trigger) ?? match (true) {
            $address === null => 'there is nobody to answer',
            $rule->stopped_at !== null => 'it wanted to send too many at once, and its answers wait until somebody says go on',
            $given->clone()->where('rule_id', $rule->id)->exists() => 'it answered this person within the last 24 hours already',
            $given->count() >= self::MOST_A_DAY => 'this person had '
                .self::MOST_A_DAY
                .' answers from rules within the last 24 hours already',
            $asksRating => $this->ratingRequests->whyNot($conversation),
            default => null,
        };
    }

    /**
     * Why no rule answers there, as can be told without looking further.
     */
    public function whyNever(RuleTrigger $trigger): ?string
    {
        $conversation = $trigger->conversation;

        return match (true) {
            $trigger->message !== null && $trigger->message->isIncoming() && $trigger->message->automatic,
            $conversation->automatic => 'a machine wrote it, and machines are not answered',
            $conversation->public => 'it was said in public, and that is answered by hand',
            $conversation->junk => 'it is junk',
            default => null,
        };
    }

    /**
     * Where `whyNot` has nothing against it.
     *
     * @param  string  $key  of the event: the same again sends nothing twice
     *
     * @throws RuleRefused|TooManyAnswers when it cannot be filled, or too many are sent
     */
    public function answer(Rule $rule, RuleAction $action, RuleTrigger $trigger, string $key): void
    {
        $conversation = $trigger->conversation;
        $route = $this->routes->of($conversation)[0] ?? throw RuleRefused::noWayToAnswer();
        $route->public && throw RuleRefused::noWayToAnswer();
        $this->refuseTooMany($rule);
        $as = $this->as($action);
        $template = Template::query()->with(['languages', 'files'])->findOrFail($action->chosen->id());
        $unattended = Unattended::by($route, $conversation);
        $filled = $this->fill->fill($template, $conversation, $as, $unattended);
        if ($filled->gaps !== []) {
            $name = $filled->gaps[0]->name;
            throw $unattended->withholds($name, $conversation)
                ? RuleRefused::notForStrangers($template->name, $name)
                : RuleRefused::unfilled($template->name, $name);
        }
        [$then, $outcome] = [...explode(':', $action->then, 2), ''];
        $this->sendReply->send($conversation, $as, AnswerFromTemplate::of(
            $filled,
            $route->key,
            $then === 'same' ? $conversation->state : ConversationState::from($then),
            $outcome === '' ? null : Outcome::query()->find((int) $outcome),
            "rule-{$rule->id}-{$key}",
            $this->trail->lastSeen($conversation),
            0,
            $filled->stepsBut('assign_person'),
            true,
            $unattended->isTyped ? ReceiptText::subject($filled->language) : null,
        ));
        if ($action->kind === ActionKind::AskRating) {
            $this->ratingRequests->note($conversation);
        }
        DB::table('rule_answers')->insert(['rule_id' => $rule->id, 'address' => mb_strtolower($route->to), 'at' => now()]);
    }

    /**
     * Who answers; where they are away or have left, the other.
     *
     * @throws RuleRefused
     */
    private function as(RuleAction $action): Teammate
    {
        $people = Teammate::query()
            ->where('may_sign_in', true)
            ->find(array_filter([(int) $action->chosen->as, (int) $action->instead]))
            ->keyBy('id');
        $first = $people[(int) $action->chosen->as] ?? null;
        $other = $people[(int) $action->instead] ?? null;

        return ($first !== null && $first->isAway() ? $other ?? $first : $first ?? $other) ?? throw RuleRefused::nobodyToAnswerAs();
    }

    /**
     * @throws TooManyAnswers when the rule sends more in a minute than an administrator allows
     */
    private function refuseTooMany(Rule $rule): void
    {
        $most = (int) $this->settings->get(self::MOST_A_MINUTE, self::USUAL_A_MINUTE);
        if (DB::table('rule_answers')->where('rule_id', $rule->id)->where('at', '>', now()->subMinute())->count() >= $most) {
            throw TooManyAnswers::of($most);
        }
    }

    private function address(RuleTrigger $trigger): ?string
    {
        $route = $this->routes->of($trigger->conversation)[0] ?? null;

        return $route === null ? null : mb_strtolower($route->to);
    }
}
