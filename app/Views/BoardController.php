<?php

declare(strict_types=1);

namespace App\Views;

use App\Conditions\UnknownField;
use App\Conversations\Actor;
use App\Conversations\CameInBetween;
use App\Conversations\ChangeMark;
use App\Conversations\Changes\ChangeRefused;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\Chosen;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Sorting\Outcome;
use App\Support\Written;
use App\Team\SignedIn;
use App\Team\Teammate;
use App\Workspace\Trail;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/**
 * A view as a board, and moving its cards: by the same actions as everywhere.
 */
final readonly class BoardController
{
    public function __construct(
        private Board $board,
        private ChangeMark $mark,
        private ChangeState $changeState,
        private Changes $changes,
        private Trail $trail,
    ) {}

    public function show(Request $request, string $view): Response|RedirectResponse
    {
        return $this->respond($request, $view, 'views.board');
    }

    public function changes(Request $request, string $view): Response|RedirectResponse
    {
        return $request->query('mark') === $this->mark->ofAll()
            ? response()->noContent()
            : $this->respond($request, $view, 'views.board-columns');
    }

    public function move(Request $request): RedirectResponse
    {
        $written = $request->validate([
            'conversation' => ['required', 'integer', 'exists:conversations,id'],
            'by' => ['required', Rule::enum(BoardBy::class)],
            'to' => ['nullable', 'string', 'max:20'],
            'reason' => ['nullable', 'string', 'max:300'],
            'outcome' => ['nullable', 'integer'],
        ]);
        $conversation = Conversation::query()->findOrFail((int) $written['conversation']);
        $to = (string) ($written['to'] ?? '');
        $teammate = SignedIn::teammate($request);
        try {
            match (BoardBy::from($written['by'])) {
                BoardBy::State => $this->moveToState(
                    $conversation, ConversationState::tryFrom($to) ?? abort(422), $written, $teammate
                ),
                BoardBy::Category => $this->moveTo('note', 'set_category', $conversation, $to, $teammate),
                BoardBy::Owner => $this->moveTo('take', 'assign_person', $conversation, $to, $teammate),
                BoardBy::Team => $this->moveTo('take', 'assign_team', $conversation, $to, $teammate),
            };
        } catch (ConversationRefused|ChangeRefused|CameInBetween $why) {
            return back()->with('problem', "{$conversation->number()} was not moved: {$why->getMessage()}");
        }

        return back()->with('done', "{$conversation->number()} is moved.");
    }

    private function moveTo(string $ability, string $change, Conversation $conversation, string $to, Teammate $teammate): void
    {
        Gate::authorize($ability, $conversation);
        $this->changes->byHand($change, $conversation, new Chosen($to), $teammate);
    }

    /**
     * @param  array<string, mixed>  $written
     */
    private function moveToState(Conversation $conversation, ConversationState $to, array $written, Teammate $teammate): void
    {
        Gate::authorize($to === ConversationState::Resolved ? 'resolve' : 'hold', $conversation);
        $actor = Actor::teammate($teammate);
        match ($to) {
            ConversationState::Open => $this->changeState->open($conversation, $actor),
            ConversationState::Waiting => $this->changeState->wait($conversation, $actor),
            ConversationState::Held => $this->changeState->hold($conversation, $actor, (string) ($written['reason'] ?? ''), null),
            ConversationState::Resolved => $this->changeState->resolve(
                $conversation, $teammate, isset($written['outcome']) ? Outcome::query()->find((int) $written['outcome']) : null,
                $this->trail->lastSeen($conversation)
            ),
            ConversationState::Closed => abort(422),
        };
    }

    private function respond(Request $request, string $key, string $page): Response|RedirectResponse
    {
        $teammate = SignedIn::teammate($request);
        $view = ShownView::find($key, $teammate) ?? abort(404);
        $by = BoardBy::tryFrom(Written::text($request, 'by')) ?? $view->boardBy();
        $mark = $this->mark->ofAll();
        try {
            $columns = $this->board->columns($view, $by, $teammate);
        } catch (UnknownField|RulesRefused) {
            // The list says what is wrong.
            return redirect("/queue/{$view->key()}");
        }

        return response(view($page, [
            'view' => $view,
            'by' => $by,
            'mark' => $mark,
            'columns' => $columns,
            'outcomes' => Outcome::inUse()->get(),
            'mayResolve' => Gate::allows('answer-customers'),
        ])->render());
    }
}
