<div id="promise-progress" @if ($recount !== null) hx-get="/promises/progress" hx-trigger="every 2s" hx-swap="outerHTML" @endif>
    @if ($recount !== null)
        <p class="sheet pad" role="status"><label for="recount">Reckoned anew: {{ $recount->why }}.</label> <progress id="recount"
            max="{{ max(1, $recount->total) }}" value="{{ $recount->done }}"></progress> {{ min($recount->done, $recount->total) }} of
            {{ $recount->total }}</p>
    @endif
</div>
