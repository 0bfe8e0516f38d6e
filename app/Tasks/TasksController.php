<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Conversations\Conversation;
use App\Sorting\WhoMayRead;
use App\Team\SignedIn;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;

final readonly class TasksController
{
    private const SHOWN = 200;

    public function __construct(private KeepTasks $tasks, private Calendar $calendar, private WhoMayRead $whoMayRead) {}

    public function index(Request $request): View
    {
        Gate::authorize('viewAny', Conversation::class);
        $teammate = SignedIn::teammate($request);
        $everybodys = $request->boolean('all');

        return view('tasks.index', [
            'everybodys' => $everybodys,
            'tasks' => $this->whoMayRead->narrowWhatTellsOf(Task::query(), 'tasks.conversation_id')
                ->whereNull('done_at')
                ->when(! $everybodys, static fn ($tasks) => $tasks->where('assignee_id', $teammate->id))
                ->with(['assignee', 'conversation'])
                ->orderBy('due_at')
                ->limit(self::SHOWN)
                ->get(),
            'done' => $this->whoMayRead->narrowWhatTellsOf(Task::query(), 'tasks.conversation_id')
                ->where('assignee_id', $teammate->id)
                ->where('done_at', '>', now()->subDays(7))
                ->with('conversation')
                ->orderByDesc('done_at')
                ->limit(30)
                ->get(),
            'teammates' => Teammate::query()->where('may_sign_in', true)->orderBy('name')->get(),
            'teammate' => $teammate,
        ]);
    }

    public function store(Request $request, ?Conversation $conversation = null): RedirectResponse
    {
        $conversation === null ? Gate::authorize('viewAny', Conversation::class) : Gate::authorize('view', $conversation);
        $teammate = SignedIn::teammate($request);
        $written = $request->validate([
            'title' => ['required', 'string', 'max:300'],
            'assignee' => ['required', 'integer', 'exists:teammates,id'],
            'due_at' => ['required', 'date_format:Y-m-d\TH:i'],
            'remind' => ['nullable', 'integer', 'in:0,15,60,1440'],
        ]);
        $this->tasks->make(
            $conversation,
            $written['title'],
            Teammate::query()->findOrFail((int) $written['assignee']),
            CarbonImmutable::parse($written['due_at'], $teammate->time_zone)->utc(),
            isset($written['remind']) ? (int) $written['remind'] : null,
            $teammate,
        );

        return back()->with('done', 'The task is written down.');
    }

    public function tick(Request $request, Task $task): RedirectResponse
    {
        $conversation = $task->conversation()->first();
        $conversation === null ? Gate::authorize('viewAny', Conversation::class) : Gate::authorize('view', $conversation);
        $isDone = $request->boolean('done');
        $this->tasks->tick($task, $isDone, SignedIn::teammate($request));

        return back()->with('done', $isDone ? 'Done.' : 'Open again.');
    }

    /**
     * A new address for the feed; the one before leads nowhere any more.
     */
    public function newKey(Request $request): RedirectResponse
    {
        SignedIn::teammate($request)->forceFill(['calendar_key' => Str::random(40)])->save();

        return redirect('/tasks')->with('done', 'The calendar has a new address.');
    }

    /**
     * For calendar programs, which cannot sign in: who knows the key reads the feed.
     */
    public function feed(string $key): Response
    {
        $teammate = Teammate::query()->where('calendar_key', $key)->where('may_sign_in', true)->first() ?? abort(404);

        return response(
            $this->calendar->of($teammate), 200,
            ['Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'private, max-age=300']
        );
    }
}
