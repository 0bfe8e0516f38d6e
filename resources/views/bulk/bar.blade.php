@use('Illuminate\Support\Facades\Gate')
@php $mayAnswer = Gate::allows('answer-customers'); @endphp
<form method="post" action="/bulk?{{ http_build_query($filter->query()) }}" class="bulk-bar" id="bulk-form" aria-label="Those chosen">
    @csrf
    <input type="hidden" name="view" value="{{ $view->key() }}">
    <b data-pick-count aria-live="polite">Chosen</b>
    <label><input type="checkbox" class="form-check-input" name="all" value="1"> all of “{{ $view->label() }}”</label>
    <label class="visually-hidden" for="bulk-change">What to do with them</label>
    <select class="form-select" id="bulk-change" name="change" data-key="e" required>
        <option value="">What to do with them …</option>
        @foreach ($bulkChoices as $group => $choices)
            <optgroup label="{{ $group }}">@foreach ($choices as $value => $label)<option value="{{ $value }}"
                @if (str_ends_with($label, '…')) data-asks-text @endif>{{ $label }}</option>@endforeach</optgroup>
        @endforeach
    </select>
    <span class="bulk-text"><label class="visually-hidden" for="bulk-text">The tag, the value or the text</label><textarea
        class="form-control" id="bulk-text" name="text" rows="1" placeholder="The tag, the value or the text"
        maxlength="100000"></textarea></span>
    <button class="btn btn-primary">See what changes</button>
    @if ($mayAnswer)<button class="btn btn-outline-secondary" formaction="/join" formmethod="get" formnovalidate data-key="j">Join into
        one <kbd>J</kbd></button>@endif
</form>
