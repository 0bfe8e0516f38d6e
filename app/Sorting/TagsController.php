<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Conversations\ChangeTags;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

final readonly class TagsController
{
    use SortsThings;

    private const HERE = '/sorting/tags';

    public function __construct(private ArrangeTags $arrange, private WhoMayRead $whoMayRead) {}

    public function index(): View
    {
        return view('sorting.words', [
            'what' => 'tag',
            'title' => 'Tags',
            'explains' => 'A tag is a word that anybody on the team can put on a conversation. New ones are made where they are given.',
            'words' => Tag::inUse()->get(),
            'retired' => Tag::query()->whereNotNull('retired_at')->orderBy('folded')->get(),
            'counts' => $this->whoMayRead->narrowWhatTellsOf(DB::table('conversation_tag'), 'conversation_tag.conversation_id')
                ->groupBy('tag_id')->selectRaw('tag_id, COUNT(*) AS count')->pluck('count', 'tag_id'),
            'path' => self::HERE,
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $tag = ChangeTags::named($this->name($request));

        return redirect(self::HERE)->with('done', "“{$tag->name}” can be given now.");
    }

    public function update(Request $request, Tag $tag): RedirectResponse
    {
        return $this->attempt(fn () => $this->arrange->rename($tag, $this->name($request)), self::HERE, 'Saved.');
    }

    public function merge(Request $request, Tag $tag): RedirectResponse
    {
        $into = Tag::query()->findOrFail((int) $request->validate(['into' => ['required', 'integer', 'exists:tags,id']])['into']);

        return $this->attempt(
            fn () => $this->arrange->merge($tag, $into, $this->actor($request)), self::HERE,
            "“{$tag->name}” is part of “{$into->name}” now."
        );
    }

    public function retire(Tag $tag): RedirectResponse
    {
        return $this->attempt(
            fn () => $this->arrange->retire($tag), self::HERE,
            "“{$tag->name}” is retired: nobody is offered it, and what has it keeps it."
        );
    }

    public function bringBack(Tag $tag): RedirectResponse
    {
        return $this->attempt(fn () => $this->arrange->bringBack($tag), self::HERE, "“{$tag->name}” can be given again.");
    }

    private function name(Request $request): string
    {
        return trim($request->validate(['name' => ['required', 'string', 'max:60']])['name']);
    }
}
