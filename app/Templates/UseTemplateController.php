<?php

declare(strict_types=1);

namespace App\Templates;

use App\Answering\KeepDraft;
use App\Conversations\ActsOnConversation;
use App\Conversations\Conversation;
use App\Support\Written;
use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

/**
 * Finding a template while answering, and putting it into the answer.
 */
final readonly class UseTemplateController
{
    use ActsOnConversation;

    public function __construct(
        private FindTemplates $find, private SuggestTemplates $suggest, private FillTemplate $fill, private KeepDraft $keepDraft
    ) {}

    public function find(Request $request, Conversation $conversation): View
    {
        Gate::authorize('reply', $conversation);
        $teammate = SignedIn::teammate($request);
        $letters = mb_substr(Written::text($request, 'q'), 0, 100);
        // Before anything is typed, what was used on such conversations comes first.
        $suggested = trim($letters) === '' ? $this->suggest->for($conversation, $teammate) : [];
        $ids = array_map(static fn (array $one): int => $one[0]->id, $suggested);
        $found = array_values(
            array_filter(
                $this->find->find($conversation, $teammate, $letters),
                static fn (Template $template): bool => ! in_array($template->id, $ids, true)
            )
        );

        return view(
            'templates.found',
            [
                'conversation' => $conversation, 'letters' => $letters,
                'rows' => [
                    ...$suggested,
                    ...array_map(
                        static fn (Template $template): array => [$template, ''],
                        array_slice($found, 0, FindTemplates::MOST - count($suggested))
                    ),
                ],
            ]
        );
    }

    public function suggested(Request $request, Conversation $conversation): View
    {
        Gate::authorize('reply', $conversation);

        return view(
            'templates.suggested',
            ['conversation' => $conversation, 'suggested' => $this->suggest->for($conversation, SignedIn::teammate($request))]
        );
    }

    public function use(Request $request, Conversation $conversation, int $template): View
    {
        Gate::authorize('reply', $conversation);
        $teammate = SignedIn::teammate($request);
        $found = Template::seenBy($teammate)->whereNull('retired_at')->with(['languages', 'files'])->findOrFail($template);
        $filled = $this->fill->fill($found, $conversation, $teammate);
        $draft = $this->keepDraft->template($conversation, $teammate, $filled);

        return view(
            'templates.used', ['conversation' => $conversation, 'filled' => $filled, 'replyDraft' => $draft, 'fileProblem' => null]
        );
    }

    public function step(Request $request, Conversation $conversation): Response
    {
        Gate::authorize('reply', $conversation);
        $written = $request->validate([
            'step' => ['required', 'string', 'max:1000'], 'steps' => ['array', 'max:40'], 'steps.*' => ['string', 'max:1000'],
        ]);
        $this->keepDraft->step(
            $conversation, SignedIn::teammate($request), $written['step'], in_array($written['step'], $written['steps'] ?? [], true)
        );

        return response()->noContent();
    }
}
