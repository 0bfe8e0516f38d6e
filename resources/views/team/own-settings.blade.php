@extends('layouts.app')
@use('App\Notifications\MailWhen')
@use('App\Notifications\NewsKind')
@use('App\Notifications\Notify')
@section('title', 'Own settings')
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Own settings</h1><a class="btn btn-outline-secondary" href="/own-sign-in">Password and where I am
        signed in</a></div>
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
            <label class="form-check-label" for="single_keys">Single keys work (<kbd>n</kbd> next, <kbd>t</kbd> take,
                <kbd>r</kbd> reply …)</label>
        </div>
        <div>
            <label class="form-label" for="signature">Signature in my own name</label>
            <textarea class="form-control" id="signature" name="signature" rows="3" maxlength="1000"
                placeholder="Ilse, Brindle Kite Works">{{ old('signature', $signedIn->signature) }}</textarea>
        </div>
        @if ($signedIn->role->approves())
            <div>
                <label class="form-label" for="deputy">While I am away, who says yes or no for me</label>
                <select class="form-select" id="deputy" name="deputy"><option
                    value="">nobody</option>@foreach ($deputies as $id => $name)<option
                    value="{{ $id }}" @selected($signedIn->deputy_id === $id)>{{ $name }}</option>@endforeach</select>
            </div>
        @endif
        <div>
            <h2>What I am told</h2>
            <table class="table">
                <thead><tr><th scope="col">When</th><th scope="col">Here</th><th scope="col">By mail</th></tr></thead>
                <tbody>
                    @foreach (NewsKind::cases() as $kind)
                        @php [$inApp, $mail] = Notify::wish($signedIn, $kind); @endphp
                        <tr><td>{{ $kind->label() }}</td>
                            <td><input type="checkbox" class="form-check-input" name="told[{{ $kind->value }}][app]" value="1"
                                @checked($inApp) aria-label="{{ $kind->label() }}: told here"></td>
                            <td><select class="form-select form-select-sm" name="told[{{ $kind->value }}][mail]"
                                aria-label="{{ $kind->label() }}: by mail">@foreach (MailWhen::cases() as $when)<option
                                    value="{{ $when->value }}"
                                @selected($when === $mail)>{{ $when->label() }}</option>@endforeach</select></td></tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <button class="btn btn-primary" type="submit">Save</button>
    </form>
</main>
@endsection
