<?php

declare(strict_types=1);

namespace App\Queue;

use App\Bulk\BulkChoices;
use App\Channels\Account;
use App\Conditions\UnknownField;
use App\Conversations\ChangeMark;
use App\Conversations\Conversation;
use App\Hours\OpenNow;
use App\Hours\StoreHours;
use App\Sorting\Category;
use App\Support\LocalTime;
use App\Team\SignedIn;
use App\Team\Teammate;
use App\Views\SavedView;
use App\Views\ShownView;
use App\Views\ViewCounts;
use Cairnfield\Core\Rules\RulesRefused;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

final readonly class QueueController
{
    private const REMEMBERED = 'queue.address';

    public function __construct(
        private Queue $queue, private ChangeMark $mark, private ViewCounts $counts, private BulkChoices $bulkChoices,
        private StoreHours $hours, private LocalTime $time
    ) {}

    public function show(Request $request, ?string $view = null): View|RedirectResponse
    {
        if ($view === null) {
            // The queue comes back as it was left: the view and what it was narrowed to.
            return redirect((string) $request->session()->get(self::REMEMBERED, '/queue/'.QueueView::MyTurn->value));
        }
        $teammate = SignedIn::teammate($request);
        $chosen = ShownView::find($view, $teammate);
        if ($chosen === null) {
            $request->session()->forget(self::REMEMBERED);

            return ctype_digit($view)
                ? redirect('/queue/my-turn')->with('problem', 'That view is not there any more, or not for you.')
                : abort(404);
        }
        $request->session()->put(self::REMEMBERED, $request->getRequestUri());
        $shown = view('queue.show', [
            ...$this->content($request, $chosen, $teammate),
            'accounts' => Account::query()
                ->orderBy('id')
                ->get()
                ->filter(static fn (Account $account): bool => $account->channel->bringsMessages()),
            'categories' => Category::inUse()->get(),
            'teammates' => Teammate::query()->orderBy('name')->get(),
            'bulkChoices' => $this->bulkChoices->of($teammate, Gate::allows('answer-customers')),
        ]);
        $teammate->forceFill(['queue_looked_at' => now()])->saveQuietly();

        return $shown;
    }

    /**
     * 204 while nothing has changed, else the list anew.
     */
    public function changes(Request $request, string $view): Response
    {
        if ($request->query('mark') === $this->mark->ofAll()) {
            return response()->noContent();
        }
        $teammate = SignedIn::teammate($request);
        $chosen = ShownView::find($view, $teammate) ?? abort(404);

        return response(view('queue.list', $this->content($request, $chosen, $teammate))->render());
    }

    /**
     * @return array<string, mixed>
     */
    private function content(Request $request, ShownView $view, Teammate $teammate): array
    {
        $filter = QueueFilter::fromRequest($request);
        // Before the rows: a change in between is then shown twice rather than never.
        $mark = $this->mark->ofAll();
        $viewProblem = null;
        try {
            $rows = $this->queue->rows($view, $filter, $teammate);
        } catch (UnknownField|RulesRefused $why) {
            [$rows, $viewProblem] = [new Collection, $why->getMessage()];
        }
        $lookedAt = $teammate->queue_looked_at;
        $saved = SavedView::seenBy($teammate)->get();

        return [
            'view' => $view,
            'viewProblem' => $viewProblem,
            'mayChangeView' => $view->saved !== null && $teammate->can('change', $view->saved),
            'saved' => $saved,
            'filter' => $filter,
            'mark' => $mark,
            'openNow' => OpenNow::of($this->hours, $this->time, now()),
            'groups' => $this->queue->groups($view, $rows->take($filter->rows)),
            'hasMore' => $rows->count() > $filter->rows,
            'counts' => $this->counts->of($teammate, $saved, $mark),
            'newSince' => $lookedAt === null ? 0 : $rows->filter(
                static fn (Conversation $row): bool => $row->last_customer_message_at?->greaterThan($lookedAt) ?? false,
            )->count(),
        ];
    }
}
