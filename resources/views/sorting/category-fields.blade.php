@use('App\Support\RefusedInput')
@use('Cairnfield\Core\Queue\Priority')
@php $was = RefusedInput::in('/sorting/categories'.($category ? "/{$category->id}" : '')); @endphp
<label class="form-label" for="category-name">Inside name</label>
<input class="form-control" id="category-name" name="name" value="{{ $was->value('name', $category?->name) }}" maxlength="80" required>
<label class="form-label" for="category-customer-name">What customers read</label>
<input class="form-control" id="category-customer-name" name="customer_name"
    value="{{ $was->value('customer_name', $category?->customer_name) }}" maxlength="80" placeholder="as the inside name">
<div class="form-check"><input type="checkbox" class="form-check-input" id="category-hidden" name="hidden" value="1"
    @checked($was->value('hidden', $category?->hidden))><label for="category-hidden">Hide it from customers</label></div>
<label class="form-label" for="category-parent">Lies below</label>
<select class="form-select" id="category-parent" name="parent">
    <option value="">nothing: at the top</option>
    @foreach ($categories as [$one, $depth])
        @continue($one->id === $category?->id)
        <option value="{{ $one->id }}"
            @selected((string) $was->value('parent', $category?->parent_id) === (string) $one->id)>{{ str_repeat('   ', $depth) }}{{
                $one->name }}</option>
    @endforeach
</select>
<label class="form-label" for="category-responsible">Responsible</label>
<select class="form-select" id="category-responsible" name="responsible">
    <option value="">nobody</option>
    @foreach ($teammates as $person)<option value="{{ $person->id }}"
        @selected((string) $was->value('responsible', $category?->responsible_id) === (string) $person->id)>{{ $person->name
            }}</option>@endforeach
</select>
<fieldset class="checks"><legend class="form-label">Who knows about it</legend>
    @foreach ($teammates as $person)
        <label><input type="checkbox" class="form-check-input" name="members[]" value="{{ $person->id }}"
            @checked(in_array((string) $person->id, array_map(strval(...), (array) $was->value('members',
                $category?->members->modelKeys() ?? [])), true))>
            {{ $person->firstName() }}</label>
    @endforeach
</fieldset>
<label class="form-label" for="category-readers">Its conversations are read by</label>
<select class="form-select" id="category-readers" name="members_only" aria-describedby="readers-hint">
    @foreach (['' => 'as above', '0' => 'everybody', '1' => 'its members alone'] as $value => $label)<option value="{{ $value }}"
        @selected((string) $was->value('members_only', $category?->members_only === null ? '' : (string) (int) $category->members_only)
            === (string) $value)>{{ $label }}</option>@endforeach
</select>
<p class="form-text" id="readers-hint">Members are who is responsible and who knows about it, as ticked above. Nobody else sees, counts,
    finds or exports what is sorted here, or hears of it.</p>
<label class="form-label" for="category-needs">Skills that it needs</label>
<input class="form-control" id="category-needs" name="needs" maxlength="600" placeholder="as the category above"
    value="{{ $was->value('needs', $category?->needs->pluck('name')->implode(', ')) }}">
<fieldset class="brings"><legend class="form-label">A new matter of it begins with</legend>
    <label for="brings-team">Team</label>
    <select class="form-select form-select-sm" id="brings-team" name="brings_team"><option value="">as above</option>
        @foreach ($teams as $id => $name)<option value="{{ $id }}" @selected((string) $was->value('brings_team',
            (string) $category?->brings_team_id) === (string) $id)>{{ $name }}</option>@endforeach</select>
    <label for="gives-out">Given out</label>
    <select class="form-select form-select-sm" id="gives-out" name="gives_out"><option value="">as above</option>
        @foreach (['1' => 'by its team’s turns', '0' => 'not: people take it'] as $value => $label)<option value="{{ $value }}"
            @selected((string) $was->value('gives_out', $category?->gives_out === null ? '' : (string) (int) $category->gives_out) ===
                (string) $value)>{{ $label }}</option>@endforeach</select>
    <label for="brings-priority">Priority</label>
    <select class="form-select form-select-sm" id="brings-priority" name="brings_priority"><option value="">as above</option>
        @foreach (Priority::cases() as $priority)<option value="{{ $priority->value }}" @selected($was->value('brings_priority',
            $category?->brings_priority?->value) === $priority->value)>{{ $priority->label() }}</option>@endforeach</select>
    <label for="brings-checklist">Checklist</label>
    <select class="form-select form-select-sm" id="brings-checklist" name="brings_checklist"><option value="">as above</option>
        @foreach ($checklists as $id => $name)<option value="{{ $id }}" @selected((string) $was->value('brings_checklist',
            (string) $category?->brings_checklist_id) === (string) $id)>{{ $name }}</option>@endforeach</select>
    <label for="category-receipt">What its receipt says</label>
    <textarea class="form-control form-control-sm" id="category-receipt" name="receipt" rows="3" maxlength="1000"
        placeholder="as above, else the usual text">{{ $was->value('receipt', $category?->receipt) }}</textarea>
</fieldset>
@if ($category)
    <label class="form-label" for="category-position">Place in the list</label>
    <input class="form-control" id="category-position" name="position" type="number" min="0" max="10000"
        value="{{ $was->value('position', $category->position) }}">
@endif
