<?php

declare(strict_types=1);

namespace App\Refunds;

use App\Answering\AnswerRoutes;
use App\Answering\ReplyToSend;
use App\Answering\SendReply;
use App\Conversations\CameInBetween;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Fields\FieldRefused;
use App\Team\Teammate;
use App\Templates\FillTemplate;
use App\Templates\Template;
use App\Templates\TemplateFile;
use App\Templates\Unattended;
use App\Templates\UsedTemplate;
use App\Workspace\Trail;

/**
 * Tells a customer something with a template that was chosen before, in the name of a person. What cannot be said so is said back.
 */
final readonly class TellByTemplate
{
    public function __construct(
        private FillTemplate $fill, private AnswerRoutes $routes, private SendReply $send, private Trail $trail
    ) {}

    /**
     * @param  string  $onceKey  the same again is not sent
     * @param  list<array{name: string, type: string, size: int, sha256: string, file: string}>  $files  beside those of the template
     * @param  bool  $saysOnly  whether what the template does beside its words is left, as where something is still to be decided
     * @return string|null why the customer was not told
     */
    public function tell(
        ?Conversation $conversation, ?int $templateId, ?Teammate $as, string $onceKey, array $files, bool $saysOnly = false
    ): ?string {
        $template = Template::query()->with(['languages', 'files'])->find($templateId);
        $route = $conversation === null ? null : $this->routes->of($conversation)[0] ?? null;
        if ($template === null || $conversation === null || $as === null || $route === null || $route->public) {
            return 'there is no way left to tell the customer by itself';
        }
        $filled = $this->fill->fill($template, $conversation, $as, Unattended::by($route, $conversation, true));
        if ($filled->gaps !== []) {
            return "“{$filled->gaps[0]->name}” of “{$template->name}” could not be filled";
        }
        [$then, $outcome] = $saysOnly ? [ConversationState::Open, null] : $filled->then();
        try {
            $own = array_values($template->files->map(static fn (TemplateFile $file): array => $file->forDraft())->all());
            $this->send->send($conversation, $as, new ReplyToSend(
                $filled->text, [...$own, ...$files], $then, $outcome, $onceKey, $this->trail->lastSeen($conversation), $route->key, 0,
                html: $filled->html, steps: $saysOnly ? [] : $filled->stepsBut('assign_person'),
                templates: [new UsedTemplate($template->id, $filled->language, $filled->text)], subject: $filled->subject,
                // What is told by itself is what the store wants told at this step.
                despiteApproval: true
            ));
        } catch (ConversationRefused|FieldRefused|CameInBetween $why) {
            return mb_substr($why->getMessage(), 0, 300);
        }

        return null;
    }
}
