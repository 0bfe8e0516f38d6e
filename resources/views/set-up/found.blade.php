<div id="set-up-found" class="set-up-groups" aria-live="polite">
    @forelse ($found as $group => $pages)
        <section aria-labelledby="set-up-{{ $loop->index }}">
            <h2 id="set-up-{{ $loop->index }}">{{ $group }}</h2>
            <ul class="sheet">
                @foreach ($pages as [$page, $settings])
                    <li>
                        <a class="row-link" href="{{ $page->address }}">{{ $page->title }}</a>
                        <span class="soft">{{ $page->count() }}</span>
                        @if (($wants = $page->wants()) !== null)<b class="set-up-wants">{{ $wants }}</b>@endif
                        <p>{{ $page->about }}</p>
                        @if ($settings !== [])<p class="set-up-settings">there: <b>{{ implode(', ', $settings) }}</b></p>@endif
                    </li>
                @endforeach
            </ul>
        </section>
    @empty
        <p class="empty">No setting is called that. Try another word, or <a href="/set-up">see them all</a>.</p>
    @endforelse
</div>
