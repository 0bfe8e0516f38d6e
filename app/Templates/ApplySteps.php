<?php

declare(strict_types=1);

namespace App\Templates;

use App\Conversations\Actor;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Fields\FieldRefused;
use App\Promises\StoreHours;

/**
 * Does what goes along with an answer. Runs in the transaction of the answer, so that both are done or neither is.
 */
final readonly class ApplySteps
{
    public function __construct(private ChangeState $changeState, private StoreHours $hours) {}

    /**
     * @param  list<Step>  $steps
     * @param  string  $why  for the trail
     *
     * @throws ConversationRefused|FieldRefused
     */
    public function apply(Conversation $conversation, array $steps, Actor $actor, string $why): void
    {
        foreach ($steps as $step) {
            $step->change?->make($conversation->refresh(), $step->chosen(), $actor, $why);
            if ($step->part === AnswerPart::Hold) {
                [$hours, $reason] = $step->holdsFor();
                $this->changeState->hold($conversation->refresh(), $actor, $reason, $this->hours->after(now(), $hours));
            }
        }
    }
}
