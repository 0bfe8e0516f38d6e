<?php

declare(strict_types=1);

namespace App\SetUp;

use App\Support\Written;
use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class SetUpController
{
    public function __construct(private SetUpIndex $index) {}

    public function show(Request $request): View
    {
        $teammate = SignedIn::teammate($request);
        $written = mb_substr(Written::text($request, 'find'), 0, 100);

        return view($request->headers->has('HX-Request') ? 'set-up.found' : 'set-up.index', [
            'find' => $written,
            'found' => $this->index->find($teammate, $written),
            'wanting' => count(array_filter($this->index->of($teammate), static fn (SetUpPage $page): bool => $page->wants() !== null)),
        ]);
    }
}
