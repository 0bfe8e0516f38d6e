<?php

declare(strict_types=1);

namespace App\Demo;

use App\Answering\AnswerRoutes;
use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Conversations\Conversation;
use App\Conversations\ConversationState;
use App\Sorting\Outcome;
use App\Team\Teammate;
use App\Templates\AnswerPart;
use App\Templates\FillTemplate;
use App\Templates\Step;
use App\Templates\Template;
use App\Templates\UsedTemplate;
use App\Workspace\Trail;
use RuntimeException;

/**
 * What the team answers in the demo, in its own words or with a template of which some words were changed.
 */
final readonly class DemoAnswers
{
    public function __construct(
        private SendReply $sendReply,
        private FillTemplate $fill,
        private Trail $trail,
        private AnswerRoutes $routes,
    ) {}

    /**
     * @param  Outcome|null  $outcome  null where it is the customer's turn then
     */
    public function inOwnWords(Conversation $conversation, Teammate $teammate, string $text, ?Outcome $outcome, string $onceKey): void
    {
        $this->send($conversation, $teammate, $text, ConversationState::Waiting, $outcome, $onceKey);
    }

    /**
     * @param  Outcome|null  $outcome  in place of what the template says
     * @param  array<string, string>  $changed  what was written instead
     */
    public function withTemplate(
        Conversation $conversation, Teammate $teammate, string $name, ?Outcome $outcome, array $changed, string $onceKey
    ): void {
        $filled = $this->fill->fill(
            Template::query()->with(['languages', 'files'])->where('name', $name)->firstOrFail(), $conversation, $teammate
        );
        if ($filled->gaps !== []) {
            throw new RuntimeException("The demo's “{$name}” cannot be filled for {$conversation->number()}: {$filled->gaps[0]->name}");
        }
        $text = $filled->text;
        foreach ($changed as $written => $instead) {
            str_contains($text, $written) || throw new RuntimeException(
                "“{$written}” does not stand in the demo's “{$name}” for {$conversation->number()}."
            );
            $text = str_replace($written, $instead, $text);
        }
        [$then, $usual] = $filled->then();
        // What is long past is held for nothing any more.
        $this->send(
            $conversation, $teammate, $text, $then, $outcome ?? $usual, $onceKey, $filled->stepsBut(AnswerPart::Hold->value),
            [new UsedTemplate($filled->template->id, $filled->language, $filled->text)]
        );
    }

    /**
     * @param  list<Step>  $steps
     * @param  list<UsedTemplate>  $templates
     */
    private function send(
        Conversation $conversation, Teammate $teammate, string $text, ConversationState $then, ?Outcome $outcome, string $onceKey,
        array $steps = [], array $templates = []
    ): void {
        $this->sendReply->send($conversation, $teammate, new ReplyToSend(
            $text,
            [],
            $outcome === null ? $then : ConversationState::Resolved,
            $outcome,
            $onceKey,
            $this->trail->lastSeen($conversation),
            $this->routes->of($conversation)[0]->key,
            steps: $steps,
            templates: $templates,
        ));
    }
}
