<?php

declare(strict_types=1);

namespace App\Templates;

use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Journal\Cause;
use App\Conversations\Journal\CurrentCause;
use App\Fields\FieldRefused;
use App\Hours\StoreHours;
use Illuminate\Database\Eloquent\Collection;

/**
 * Does what goes along with an answer. Runs in the transaction of the answer, so that both are done or neither is.
 */
final readonly class ApplySteps
{
    public function __construct(private ChangeState $changeState, private StoreHours $hours, private CurrentCause $cause) {}

    /**
     * @param  list<Step>  $steps
     * @param  list<int>  $templates  by whose text the answer was written
     * @param  string  $why  for the trail
     *
     * @throws ConversationRefused|FieldRefused
     */
    public function apply(Conversation $conversation, array $steps, array $templates, Actor $actor, string $why): void
    {
        $used = $steps === [] ? new Collection : Template::query()->whereKey($templates)->orderBy('id')->get();
        foreach ($steps as $step) {
            $of = $used->first(static fn (Template $template): bool => in_array(
                ['do' => $step->do, 'value' => $step->value], $template->steps, false
            ));
            $do = fn () => $this->one($conversation, $step, $actor, $why);
            $of === null ? $do() : $this->cause->during(Cause::step($of->id, $of->name, $step->do), $do);
        }
    }

    private function one(Conversation $conversation, Step $step, Actor $actor, string $why): void
    {
        $step->change?->make($conversation->refresh(), $step->chosen(), $actor, $why);
        if ($step->part === AnswerPart::Hold) {
            [$hours, $reason] = $step->holdsFor();
            $this->changeState->hold($conversation->refresh(), $actor, $reason, $this->hours->after(now(), $hours));
        }
    }
}
