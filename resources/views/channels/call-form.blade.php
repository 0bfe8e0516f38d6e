<form method="post" action="/calls" class="call-form" @if ($inDialog) hx-post="/calls" hx-target="#call-place" hx-swap="innerHTML"
    hx-disabled-elt="find button" @endif>
    @csrf
    <input type="hidden" name="once" value="{{ $onceKey }}">
    <label class="form-label" for="call-who">Who: name, telephone or order number</label>
    <input class="form-control" id="call-who" name="who" required maxlength="200" autocomplete="off" value="{{ old('who') }}"
        @if (! $inDialog) autofocus @endif hx-get="/calls/who" hx-trigger="input changed delay:200ms" hx-target="#call-people"
        hx-swap="innerHTML" hx-sync="this:replace">
    <div id="call-people" aria-live="polite"></div>
    <label class="form-label" for="call-notes">What about</label>
    <textarea class="form-control" id="call-notes" name="notes" rows="5" data-send-with-ctrl-enter>{{ old('notes') }}</textarea>
    <div class="call-buttons"><button class="btn btn-primary">Write it down <kbd>Ctrl ↵</kbd></button>
        @if ($inDialog)<button type="button" class="btn btn-outline-secondary" data-close-dialog>Leave it</button>@endif</div>
</form>
