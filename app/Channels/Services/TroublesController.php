<?php

declare(strict_types=1);

namespace App\Channels\Services;

use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

/**
 * What came and could not be taken, for an administrator to see to.
 */
final readonly class TroublesController
{
    public function __construct(private TakeEvent $takeEvent) {}

    public function index(): View
    {
        return view('channels.troubles', [
            'traces' => EventTrace::query()
                ->with('account')
                ->whereIn('state', [EventTrace::KEPT, EventTrace::NOTED])
                ->orderByDesc('at')
                ->simplePaginate(50),
        ]);
    }

    public function take(EventTrace $trace): RedirectResponse
    {
        $event = json_decode((string) $trace->event, true);
        $answer = is_array($event)
            ? $this->takeEvent->take($trace->account, $event, $trace->way)
            : ['taken' => false, 'reason' => 'Nothing of it was kept that could be taken.'];
        if (! $answer['taken']) {
            return back()->with('problem', 'It still cannot be taken: '.($answer['reason'] ?? ''));
        }
        $trace->forceFill(['state' => EventTrace::TAKEN])->save();

        return back()->with('done', 'It was taken in.');
    }

    public function putAside(EventTrace $trace): RedirectResponse
    {
        $trace->forceFill(['state' => EventTrace::PUT_ASIDE])->save();

        return back()->with('done', 'Put aside.');
    }
}
