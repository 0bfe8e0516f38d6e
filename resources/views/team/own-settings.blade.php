@extends('layouts.app')
@section('title', 'Own settings')
@section('content')
<main id="content" class="narrow">
    <h1>Own settings</h1>
    <form method="post" action="/own-settings" class="sheet stack">
        @csrf
        <div>
            <label class="form-label" for="time_zone">Time zone</label>
            <select class="form-select" id="time_zone" name="time_zone">
                @foreach ($zones as $zone)
                    <option @selected($zone === $signedIn->time_zone)>{{ $zone }}</option>
                @endforeach
            </select>
            <p class="form-text">All times are shown in it.</p>
        </div>
        <div class="form-check">
            <input type="hidden" name="single_keys" value="0">
            <input class="form-check-input" type="checkbox" id="single_keys" name="single_keys" value="1" @checked($signedIn->single_keys)>
            <label class="form-check-label" for="single_keys">Single keys work (<kbd>n</kbd> next, <kbd>t</kbd> take, <kbd>r</kbd> reply …)</label>
        </div>
        <button class="btn btn-primary" type="submit">Save</button>
    </form>
</main>
@endsection
