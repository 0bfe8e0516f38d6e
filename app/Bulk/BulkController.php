<?php

declare(strict_types=1);

namespace App\Bulk;

use App\Conversations\Conversation;
use App\Queue\QueueFilter;
use App\Sorting\WhoMayRead;
use App\Team\SignedIn;
use App\Views\ShownView;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/**
 * Changing many conversations at once: looked at first, made in the background, undone within ten minutes.
 */
final readonly class BulkController
{
    private const SHOWN = 200;

    /** Of so many it is shown what they would read. */
    private const TEXTS = 50;

    public function __construct(private PlanBulkChange $plan, private BulkReplies $replies, private WhoMayRead $whoMayRead) {}

    public function plan(Request $request): RedirectResponse
    {
        Gate::authorize('viewAny', Conversation::class);
        $teammate = SignedIn::teammate($request);
        $written = $request->validate([
            'change' => ['required', 'string', 'max:120'],
            'text' => ['nullable', 'string', 'max:100000'],
            'all' => ['nullable', 'boolean'],
            'view' => ['nullable', 'string', 'max:40'],
            'ids' => ['array', 'max:'.PlanBulkChange::MOST],
            'ids.*' => ['integer'],
        ], ['change.required' => 'Choose what is to be done with them.']);
        if ($this->plan->isForThoseWhoAnswer($written['change'])) {
            Gate::authorize('answer-customers');
        }
        $view = $request->boolean('all') ? ShownView::find((string) ($written['view'] ?? ''), $teammate) : null;
        $bulk = $view !== null
            ? $this->plan->ofView(
                $view, QueueFilter::fromRequest($request), $written['change'], (string) ($written['text'] ?? ''), $teammate
            )
            : $this->plan->ofChosen(
                array_map(intval(...), array_values($written['ids'] ?? [])), $written['change'],
                (string) ($written['text'] ?? ''), $teammate
            );

        return redirect("/bulk/{$bulk->id}");
    }

    public function show(Request $request, BulkChange $bulk): View
    {
        Gate::authorize('goOn', $bulk);

        return view('bulk.show', $this->content($bulk));
    }

    public function progress(Request $request, BulkChange $bulk): Response
    {
        Gate::authorize('goOn', $bulk);

        return response(view('bulk.progress', $this->content($bulk))->render());
    }

    public function make(Request $request, BulkChange $bulk): RedirectResponse
    {
        Gate::authorize('goOn', $bulk);
        $started = BulkChange::query()->whereKey($bulk->id)->where('state', BulkChange::PLANNED)->update(['state' => BulkChange::RUNNING]);
        if ($started === 1) {
            WorkOnBulkChange::dispatch($bulk->id);
        }

        return redirect("/bulk/{$bulk->id}");
    }

    public function undo(Request $request, BulkChange $bulk): RedirectResponse
    {
        Gate::authorize('goOn', $bulk);
        if (! $bulk->canBeUndone()) {
            return redirect("/bulk/{$bulk->id}")->with('problem', BulkRefused::tooLate()->getMessage());
        }
        $started = BulkChange::query()->whereKey($bulk->id)->where('state', BulkChange::DONE)->update(['state' => BulkChange::UNDOING]);
        if ($started === 1) {
            WorkOnBulkChange::dispatch($bulk->id);
        }

        return redirect("/bulk/{$bulk->id}");
    }

    /**
     * @return array<string, mixed>
     */
    private function content(BulkChange $bulk): array
    {
        $items = $this->whoMayRead->narrowWhatTellsOf($bulk->items(), 'bulk_items.conversation_id')
            ->with(['conversation.customer'])
            ->orderBy('state')
            ->orderBy('conversation_id')
            ->limit(self::SHOWN)
            ->get();

        return [
            'bulk' => $bulk,
            'texts' => $bulk->state === BulkChange::PLANNED && $bulk->answersBy() !== null ? $this->texts($bulk, $items) : [],
            'counts' => BulkCounts::of($bulk),
            'reasons' => DB::table('bulk_items')
                ->where('bulk_change_id', $bulk->id)
                ->where('reason', '!=', '')
                ->groupBy('reason')
                ->orderByRaw('COUNT(*) DESC')
                ->limit(20)
                ->selectRaw('reason, COUNT(*) AS count')
                ->pluck('count', 'reason'),
            'items' => $items,
        ];
    }

    /**
     * What the first of them would read.
     *
     * @param  Collection<int, BulkItem>  $items
     * @return array<int, string> by the conversation's id
     */
    private function texts(BulkChange $bulk, Collection $items): array
    {
        $teammate = $bulk->teammate()->firstOrFail();
        $texts = [];
        foreach ($items->where('state', BulkItem::PLANNED)->take(self::TEXTS) as $item) {
            $conversation = Conversation::query()->findOrFail($item->conversation_id);
            $texts[$item->conversation_id] = $this->replies->text($bulk, $conversation, $teammate);
        }

        return array_filter($texts, static fn (?string $text): bool => $text !== null);
    }
}
