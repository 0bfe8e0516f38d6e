@php $at = $place === '' ? 'top' : str_replace('.', '-', $place); @endphp
<fieldset class="condition-group" id="group-{{ $at }}">
    <legend class="visually-hidden">{{ $place === '' ? 'Which conversations' : 'A group of conditions' }}</legend>
    <p class="condition-head"><label class="visually-hidden" for="head-{{ $at }}">How many must hold</label>
        <select class="form-select form-select-sm" id="head-{{ $at }}" name="{{ $name }}[head]"
            hx-post="{{ $redraw ?? '/views/redraw' }}" hx-trigger="change">
            @foreach (['all' => 'All of these hold', 'any' => 'At least one of these holds', 'none' => 'None of these holds'] as $head
                => $label)<option
                value="{{ $head }}" @selected($group['head'] === $head)>{{ $label }}</option>@endforeach
        </select>
        @if ($place !== '')<button type="submit" formaction="{{ $redraw ?? '/views/redraw' }}" formnovalidate name="do"
            value="remove:{{ $place }}" class="btn-away" hx-post="{{ $redraw ?? '/views/redraw' }}"
            aria-label="Take this group away">×</button>@endif
    </p>
    @foreach ($group['parts'] as $index => $part)
        @php $partName = "{$name}[parts][{$index}]"; $partPlace = $place === '' ? (string) $index : "{$place}.{$index}"; @endphp
        @if (isset($part['head']))
            @include('conditions.group', ['group' => $part, 'name' => $partName, 'place' => $partPlace])
        @else
            @include('conditions.line', ['line' => $part, 'name' => $partName, 'place' => $partPlace])
        @endif
    @endforeach
    <p class="condition-add">
        <button type="submit" formaction="{{ $redraw ?? '/views/redraw' }}" formnovalidate name="do" value="add:{{ $place }}"
            class="btn btn-sm btn-outline-secondary" hx-post="{{ $redraw ?? '/views/redraw' }}">Add a condition</button>
        <button type="submit" formaction="{{ $redraw ?? '/views/redraw' }}" formnovalidate name="do" value="group:{{ $place }}"
            class="btn btn-sm btn-link" hx-post="{{ $redraw ?? '/views/redraw' }}">Add a group</button>
    </p>
</fieldset>
