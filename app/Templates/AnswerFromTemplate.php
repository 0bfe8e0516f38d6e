<?php

declare(strict_types=1);

namespace App\Templates;

use App\Answering\ReplyToSend;
use App\Conversations\ConversationState;
use App\Sorting\Outcome;

/**
 * A filled template as an answer to be sent, with its files and what goes along: to many at once, by rules, and as
 * a reminder.
 */
final class AnswerFromTemplate
{
    /**
     * @param  list<Step>  $steps  of the template's those that are to go along
     * @param  string|null  $usualSubject  where the template has none, in place of the conversation's
     * @param  int|null  $waits  seconds for which it can be called back
     */
    public static function of(
        FilledTemplate $filled, string $route, ConversationState $then, ?Outcome $outcome, string $onceKey, int $seen, ?int $waits,
        array $steps, bool $automatic, ?string $usualSubject = null
    ): ReplyToSend {
        return new ReplyToSend(
            $filled->text,
            array_values($filled->template->files->map(static fn (TemplateFile $file): array => $file->forDraft())->all()),
            $then,
            $outcome,
            $onceKey,
            $seen,
            $route,
            $waits,
            html: $filled->html,
            steps: $steps,
            templates: [new UsedTemplate($filled->template->id, $filled->language, $filled->text)],
            subject: $filled->subject ?? $usualSubject,
            automatic: $automatic,
        );
    }
}
