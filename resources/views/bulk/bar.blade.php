@php $mayAnswer = \Illuminate\Support\Facades\Gate::allows('answer-customers'); @endphp
<form method="post" action="/bulk?{{ http_build_query($filter->query()) }}" class="bulk-bar" id="bulk-form" aria-label="Those chosen">
    @csrf
    <input type="hidden" name="view" value="{{ $view->key() }}">
    <b data-pick-count aria-live="polite">Chosen</b>
    <label><input type="checkbox" class="form-check-input" name="all" value="1"> all of “{{ $view->label() }}”</label>
    <label class="visually-hidden" for="bulk-change">What to do with them</label>
    <select class="form-select" id="bulk-change" name="change" data-key="e" required>
        <option value="">What to do with them …</option>
        <optgroup label="Give to">
            @foreach ($teammates->where('may_sign_in', true) as $person)<option value="owner:{{ $person->id }}">give to {{ $person->name }}</option>@endforeach
            <option value="owner:">give back: nobody’s yet</option>
            @foreach ($teams as $team)<option value="team:{{ $team->id }}">give to the team {{ $team->name }}</option>@endforeach
        </optgroup>
        <optgroup label="Priority">@foreach (\Cairnfield\Core\Queue\Priority::cases() as $priority)<option value="priority:{{ $priority->value }}">priority {{ $priority->value }}</option>@endforeach</optgroup>
        <optgroup label="Tags"><option value="tag:">add a tag …</option>@foreach ($tags as $tag)<option value="untag:{{ $tag->id }}">take “{{ $tag->name }}” away</option>@endforeach</optgroup>
        <optgroup label="Category">@foreach ($categories as $category)<option value="category:{{ $category->id }}">{{ $category->path }}</option>@endforeach</optgroup>
        @if ($bulkFields->isNotEmpty())<optgroup label="Own fields">@foreach ($bulkFields as $field)<option value="field:{{ $field->id }}">set {{ $field->name }} …</option>@endforeach</optgroup>@endif
        @if ($mayAnswer)
            <optgroup label="Resolve">@foreach ($outcomes as $outcome)<option value="resolve:{{ $outcome->id }}">resolve: {{ $outcome->name }}</option>@endforeach</optgroup>
            @if ($bulkTemplates->isNotEmpty())<optgroup label="Answer all with">@foreach ($bulkTemplates as $template)<option value="template:{{ $template->id }}">{{ $template->name }}</option>@endforeach</optgroup>@endif
            <optgroup label="More"><option value="answer:">answer all with one text …</option><option value="junk:">put with the junk</option></optgroup>
        @endif
    </select>
    <span class="bulk-text"><label class="visually-hidden" for="bulk-text">The tag, the value or the text</label><textarea class="form-control" id="bulk-text" name="text" rows="1" placeholder="The tag, the value or the text" maxlength="100000"></textarea></span>
    <button class="btn btn-primary">See what changes</button>
    @if ($mayAnswer)<button class="btn btn-outline-secondary" formaction="/join" formmethod="get" formnovalidate data-key="j">Join into one <kbd>J</kbd></button>@endif
</form>
