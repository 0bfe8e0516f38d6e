@if ($rows->hasPages())
    <nav class="pages" aria-label="Pages">
        @if ($rows->previousPageUrl() !== null)<a class="btn btn-outline-secondary" rel="prev"
            href="{{ $rows->previousPageUrl() }}">Before</a>@endif
        <span class="soft">Page {{ $rows->currentPage() }}</span>
        @if ($rows->nextPageUrl() !== null)<a class="btn btn-outline-secondary" rel="next" href="{{ $rows->nextPageUrl() }}">Next</a>@endif
    </nav>
@endif
