@use('App\Hours\WeekText')
@if ($errors->any())
    <ul class="field-problem" role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>
@endif
<form method="post" action="{{ $action }}" class="sheet form-columns">
    @csrf
    <fieldset>
        <legend>The store</legend>
        <label class="form-label" for="name">Name, as customers know it</label>
        <input class="form-control" id="name" name="name" required maxlength="120" value="{{ old('name', $store?->name) }}"
            @if ($store === null) autofocus @endif>
        <label class="form-label" for="country">Country</label>
        <select class="form-select" id="country" name="country" required>
            <option value="">Choose</option>
            @foreach ($countries as $code => $name)<option value="{{ $code }}"
                @selected($code === old('country', $store->country ?? $guessedCountry))>{{ $name }}</option>@endforeach</select>
        <label class="form-label" for="currency">Currency</label>
        <input class="form-control" id="currency" name="currency" required maxlength="3" placeholder="EUR" autocomplete="off"
            value="{{ old('currency', $store?->currency) }}" aria-describedby="currency-about">
        <p class="soft" id="currency-about">Its three letters, such as EUR, DKK or GBP.</p>
        <label class="form-label" for="imprint">Address and tax number, for credit notes</label>
        <textarea class="form-control" id="imprint" name="imprint" rows="3"
            maxlength="500">{{ old('imprint', $store?->imprint) }}</textarea>
    </fieldset>
    <fieldset>
        <legend>Languages</legend>
        <label class="form-label" for="language">Language that you answer in, where none other is known</label>
        <select class="form-select" id="language" name="language">@foreach ($languages as $code => $name)<option value="{{ $code }}"
            @selected($code === old('language', $store->language ?? $guessedLanguage))>{{ $name }}</option>@endforeach</select>
        <details class="languages-more" @if (count($store->languages ?? []) > 1) open @endif>
            <summary>Other languages that you answer in</summary>
            <div class="languages-all">@foreach ($languages as $code => $name)<label class="form-check"><input class="form-check-input"
                type="checkbox" name="languages[]" value="{{ $code }}"
                @checked(in_array($code, (array) old('languages', $store->languages ?? []), true))> {{ $name }}</label>@endforeach</div>
        </details>
    </fieldset>
    <fieldset>
        <legend>{{ $asksHours ? 'When somebody answers' : 'Where it is' }}</legend>
        <label class="form-label" for="time_zone">Time zone</label>
        <select class="form-select" id="time_zone" name="time_zone">@foreach ($zones as $zone)<option
            @selected($zone === old('time_zone', $store->timeZone ?? $guessedZone))>{{ $zone }}</option>@endforeach</select>
        @if ($asksHours)
            <p class="soft" id="hours-about">Such as 09:00–17:00, with commas between several. Empty where nobody is there.</p>
            @foreach (WeekText::DAYS as $day => $label)
                <div class="hours-day"><label for="hours-{{ $day }}">{{ $label }}</label><input class="form-control" id="hours-{{ $day }}"
                    name="hours[{{ $day }}]" maxlength="200" value="{{ old("hours.{$day}", WeekText::written($week[$day] ?? [])) }}"
                    aria-describedby="hours-about" @if ($errors->has("hours.{$day}")) aria-invalid="true" @endif></div>
            @endforeach
        @else
            <p class="soft">When somebody is there, and holidays: <a href="/hours">Hours</a>.</p>
        @endif
    </fieldset>
    <div class="form-foot"><button class="btn btn-primary">{{ $button }}</button></div>
</form>
