<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\Conversation;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class OutcomesController
{
    use SortsThings;

    private const HERE = '/sorting/outcomes';

    public function __construct(private ArrangeOutcomes $arrange) {}

    public function index(): View
    {
        return view('sorting.words', [
            'what' => 'outcome',
            'title' => 'Outcomes',
            'explains' => 'An outcome says why a conversation was resolved. It is asked for whenever one is.',
            'words' => Outcome::inUse()->get(),
            'retired' => Outcome::query()->whereNotNull('retired_at')->orderBy('name')->get(),
            'counts' => Conversation::readable()
                ->whereNotNull('outcome_id')
                ->groupBy('outcome_id')
                ->selectRaw('outcome_id, COUNT(*) AS count')
                ->pluck('count', 'outcome_id'),
            'path' => self::HERE,
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $name = $this->name($request);

        return $this->attempt(
            fn () => $this->arrange->save(null, $name, (int) Outcome::query()->max('position') + 1), self::HERE,
            "“{$name}” can be chosen now."
        );
    }

    public function update(Request $request, Outcome $outcome): RedirectResponse
    {
        return $this->attempt(
            fn () => $this->arrange->save($outcome, $this->name($request), (int) $outcome->getAttribute('position')), self::HERE,
            'Saved.'
        );
    }

    public function merge(Request $request, Outcome $outcome): RedirectResponse
    {
        $into = Outcome::query()->findOrFail((int) $request->validate(['into' => ['required', 'integer', 'exists:outcomes,id']])['into']);

        return $this->attempt(
            fn () => $this->arrange->merge($outcome, $into), self::HERE, "“{$outcome->name}” is part of “{$into->name}” now."
        );
    }

    public function retire(Outcome $outcome): RedirectResponse
    {
        return $this->attempt(
            fn () => $this->arrange->retire($outcome), self::HERE,
            "“{$outcome->name}” is retired: nobody is offered it, and what has it keeps it."
        );
    }

    public function bringBack(Outcome $outcome): RedirectResponse
    {
        return $this->attempt(fn () => $this->arrange->bringBack($outcome), self::HERE, "“{$outcome->name}” can be chosen again.");
    }

    private function name(Request $request): string
    {
        return trim($request->validate(['name' => ['required', 'string', 'max:80']])['name']);
    }
}
