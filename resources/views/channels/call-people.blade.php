@if ($people->isNotEmpty())
    <fieldset class="call-people"><legend>Is it one of these?</legend>
        @foreach ($people as $person)
            <label><input type="radio" name="customer" value="{{ $person->id }}"> <b>{{ $person->name }}</b>
                <span class="soft">{{ $person->handles->take(2)->pluck('shown')->implode(' · ') }}@if ($person->orders_count > 0) ·
                {{ trans_choice('{1} one order|[2,*] :count orders', $person->orders_count, ['count' => $person->orders_count])
                    }}@endif</span></label>
        @endforeach
    </fieldset>
@endif
