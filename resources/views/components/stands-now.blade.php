@props(['name', 'address'])
{{-- What somebody else has saved meanwhile, beside what is still in the form. --}}
<section class="sheet pad" aria-labelledby="theirs"><h2 id="theirs">As it stands now: “{{ $name }}”</h2>
    {{ $slot }}
    <p><a href="{{ $address }}">Go on with this one, and leave what I wrote</a></p></section>
