<?php

declare(strict_types=1);

namespace App\Answering;

use App\Conversations\ConversationState;
use App\Sorting\Outcome;
use App\Templates\Step;
use App\Templates\TemplateProblem;
use App\Templates\UsedTemplate;

/**
 * An answer as it leaves the form.
 *
 * @phpstan-type DraftFile array{name: string, type: string, size: int, sha256: string, file: string}
 */
final readonly class ReplyToSend
{
    /**
     * @param  list<DraftFile>  $files
     * @param  ConversationState  $then  waiting, open, or resolved with the outcome
     * @param  string  $onceKey  of the form it was written in: sending twice does it once
     * @param  int  $seen  the last journal entry that this person has been shown
     * @param  string|null  $route  the key of the way that was chosen; null where there is only one
     * @param  int|null  $waits  seconds for which it can be called back; null for the usual
     * @param  list<string>  $cc
     * @param  list<string>  $bcc
     * @param  string|null  $html  the same as rich text, cleaned; null for plain text
     * @param  list<Step>  $steps  done together with sending, or not at all
     * @param  list<UsedTemplate>  $templates  that stand in the text
     * @param  string|null  $subject  in place of the conversation's
     * @param  bool  $automatic  written by a rule: it changes the state only where it says so, and no owner
     * @param  bool  $despiteApproval  although an approval waits: whoever sends it was asked
     * @param  bool  $inOwnName  under the name and signature of who writes it, from the same address
     */
    public function __construct(
        public string $text,
        public array $files,
        public ConversationState $then,
        public ?Outcome $outcome,
        public string $onceKey,
        public int $seen,
        public ?string $route = null,
        public ?int $waits = null,
        public array $cc = [],
        public array $bcc = [],
        public bool $inOwnName = false,
        public ?string $html = null,
        public array $steps = [],
        public array $templates = [],
        public ?string $subject = null,
        public bool $automatic = false,
        public bool $despiteApproval = false,
    ) {}

    /**
     * To be kept until it is sent.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return [
            'text' => $this->text,
            'files' => $this->files,
            'then' => $this->then->value,
            'outcome' => $this->outcome?->id,
            'once' => $this->onceKey,
            'html' => $this->html, 'route' => $this->route, 'cc' => $this->cc, 'bcc' => $this->bcc, 'own_name' => $this->inOwnName,
            'steps' => array_map(static fn (Step $step): array => $step->toArray(), $this->steps),
            'templates' => array_map(static fn (UsedTemplate $used): array => $used->toArray(), $this->templates),
            'subject' => $this->subject,
            'despite_approval' => $this->despiteApproval,
        ];
    }

    /**
     * @param  array<string, mixed>  $kept  as toArray gave it
     *
     * @throws TemplateProblem when a step is no longer possible
     */
    public static function kept(array $kept, int $seen): self
    {
        /**
         * @var array{text: string, files: list<DraftFile>, then: string, outcome: int|null, once: string, route: string|null,
         *   cc: list<string>, bcc: list<string>, own_name: bool, html: string|null, steps?: list<array{do: string, value: string}>,
         *   templates?: list<array<string, mixed>>, subject?: string|null, despite_approval?: bool} $kept
         */
        return new self(
            $kept['text'],
            $kept['files'],
            ConversationState::from($kept['then']),
            $kept['outcome'] === null ? null : Outcome::query()->find($kept['outcome']),
            $kept['once'],
            $seen,
            $kept['route'],
            0,
            $kept['cc'],
            $kept['bcc'],
            $kept['own_name'],
            $kept['html'],
            Step::all($kept['steps'] ?? []),
            UsedTemplate::all($kept['templates'] ?? []),
            $kept['subject'] ?? null,
            despiteApproval: $kept['despite_approval'] ?? false,
        );
    }
}
