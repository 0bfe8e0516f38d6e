<?php

declare(strict_types=1);

namespace App\Views;

use App\Conditions\UnknownField;
use App\Conversations\Actor;
use App\Conversations\AssignConversation;
use App\Conversations\AssignTeam;
use App\Conversations\CameInBetween;
use App\Conversations\ChangeMark;
use App\Conversations\ChangeState;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\SetCategory;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Support\Written;
use App\Team\Team;
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
        private SetCategory $setCategory,
        private AssignConversation $assign,
        private AssignTeam $assignTeam,
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
        $actor = Actor::teammate($this->teammate($request));
        $id = $to === '' ? null : (int) $to;
        try {
            match (BoardBy::from($written['by'])) {
                BoardBy::State => $this->moveToState(
                    $conversation, ConversationState::tryFrom($to) ?? abort(422), $written, $this->teammate($request)
                ),
                BoardBy::Category => Gate::authorize('note', $conversation) && $this->setCategory->set(
                    $conversation, $id === null ? null : Category::query()->findOrFail($id), $actor
                ),
                BoardBy::Owner => Gate::authorize('take', $conversation) && $this->assign->assign(
                    $conversation, $id === null ? null : Teammate::query()->findOrFail($id), $actor
                ),
                BoardBy::Team => Gate::authorize('take', $conversation) && $this->assignTeam->assign(
                    $conversation, $id === null ? null : Team::query()->findOrFail($id), $actor
                ),
            };
        } catch (ConversationRefused|CameInBetween $why) {
            return back()->with('problem', "{$conversation->number()} was not moved: {$why->getMessage()}");
        }

        return back()->with('done', "{$conversation->number()} is moved.");
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
        $teammate = $this->teammate($request);
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

    private function teammate(Request $request): Teammate
    {
        $teammate = $request->user();

        return $teammate instanceof Teammate ? $teammate : abort(401);
    }
}
