<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Channels\Account;
use App\Team\Teammate;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final readonly class QueueController
{
    private const REMEMBERED = 'queue.address';

    public function __construct(private Queue $queue, private ChangeMark $mark) {}

    public function show(Request $request, ?string $view = null): View|RedirectResponse
    {
        if ($view === null) {
            // The queue comes back as it was left: the view and what it was narrowed to.
            return redirect((string) $request->session()->get(self::REMEMBERED, '/queue/'.QueueView::MyTurn->value));
        }
        $chosen = QueueView::tryFrom($view) ?? abort(404);
        $request->session()->put(self::REMEMBERED, $request->getRequestUri());
        $teammate = $this->teammate($request);
        $shown = view('inbox.queue', [
            ...$this->content($request, $chosen, $teammate),
            'accounts' => Account::query()->orderBy('id')->get()->filter(static fn (Account $account): bool => $account->channel->bringsMessages()),
            'categories' => Category::inUse()->get(),
            'teammates' => Teammate::query()->orderBy('name')->get(),
        ]);
        $teammate->forceFill(['queue_looked_at' => now()])->saveQuietly();

        return $shown;
    }

    /**
     * 204 while nothing has changed, else the list anew.
     */
    public function changes(Request $request, string $view): Response
    {
        $chosen = QueueView::tryFrom($view) ?? abort(404);
        if ($request->query('mark') === $this->mark->ofAll()) {
            return response()->noContent();
        }

        return response(view('inbox.queue-list', $this->content($request, $chosen, $this->teammate($request)))->render());
    }

    /**
     * @return array<string, mixed>
     */
    private function content(Request $request, QueueView $view, Teammate $teammate): array
    {
        $filter = QueueFilter::fromRequest($request);
        // Before the rows: a change in between is then shown twice rather than never.
        $mark = $this->mark->ofAll();
        $rows = $this->queue->rows($view, $filter, $teammate);
        $lookedAt = $teammate->queue_looked_at;

        return [
            'view' => $view,
            'filter' => $filter,
            'mark' => $mark,
            'groups' => $this->queue->groups($view, $rows->take($filter->rows)),
            'hasMore' => $rows->count() > $filter->rows,
            'counts' => $this->queue->counts($teammate),
            'newSince' => $lookedAt === null ? 0 : $rows->filter(
                static fn (Conversation $row): bool => $row->last_customer_message_at?->greaterThan($lookedAt) ?? false,
            )->count(),
        ];
    }

    private function teammate(Request $request): Teammate
    {
        $teammate = $request->user();

        return $teammate instanceof Teammate ? $teammate : abort(401);
    }
}
