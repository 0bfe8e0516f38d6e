@use('App\Returns\Grade')
@use('App\Support\RefusedInput')
{{-- How each unit was found: by the keys 1 to 6, from the first to the last. --}}
@php $was = RefusedInput::in("{$at}/inspect"); @endphp
<form method="post" action="{{ $at }}/inspect" class="bench-inspect" data-bench>
    @csrf
    <x-default-button/>
    @foreach ($return->lines as $line)
        @for ($unit = 0; $unit < $line->quantity; $unit++)
            @php
                $name = "units[{$line->order_line_id}][{$unit}]";
                $chosen = $was->value("units.{$line->order_line_id}.{$unit}.grade");
            @endphp
            <fieldset class="bench-unit" data-unit>
                <legend>{{ $line->orderLine->title }}@if ($line->quantity > 1) <span class="soft">{{ $unit + 1 }} of
                    {{ $line->quantity }}</span>@endif</legend>
                @foreach (Grade::cases() as $index => $grade)
                    <label><input type="radio" name="{{ $name }}[grade]" value="{{ $grade->value }}" required
                        data-stocks="{{ $grade->usuallyToStock() ? '1' : '' }}"
                            @checked($chosen === $grade->value)><kbd>{{ $index + 1 }}</kbd>
                        <span>{{ $grade->label() }}</span><small>{{ $terms->share($grade) }} %{{ $grade === Grade::Faulty &&
                            $terms->customerPays ? ', label ours' : '' }}</small></label>
                @endforeach
                <label class="tick-line bench-stock"><input class="form-check-input" type="checkbox" name="{{ $name }}[stock]" value="1"
                    @checked($was->value("units.{$line->order_line_id}.{$unit}.stock") === '1')> Back to stock
                    @isset ($stock[$line->order_line_id])<span class="soft">{{ $stock[$line->order_line_id] }} →
                        {{ $stock[$line->order_line_id] + 1 }}</span>@endisset</label>
            </fieldset>
        @endfor
    @endforeach
    <details @if ($was->value('others')) open @endif><summary>Something else was in the parcel</summary><label class="visually-hidden"
        for="bench-others">What else, one a line</label><textarea class="form-control form-control-sm" id="bench-others" name="others"
        rows="2" maxlength="2000" placeholder="What else, one a line">{{ $was->value('others') }}</textarea></details>
    <button class="btn btn-primary">Done, next <kbd>↵</kbd></button>
    @include('returns.tells', ['step' => 'inspected'])
</form>
