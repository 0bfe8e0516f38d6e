{{-- What Enter in a field presses, which is the form's first button: none where nothing is named. --}}
@props(['does' => null])
<button class="visually-hidden" tabindex="-1" aria-hidden="true" @disabled($does === null)>{{ $does }}</button>
