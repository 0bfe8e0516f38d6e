{{-- What holds for what is chosen, before anybody promises it. --}}
<div id="offered" class="offered" aria-live="polite">
    @if ($why !== null)
        <p class="field-problem">{{ $why }}</p>
    @elseif ($offered === null)
        <p class="soft">Choose why it comes back: what holds is said here.</p>
    @else
        <ul @class(['offered-terms', 'offered-late' => ! $offered->window->allowed])>@foreach ($offered->sentences() as $sentence)<li>{{
            $sentence }}</li>@endforeach</ul>
        <p class="soft">Policy “{{ $offered->policy->reason->name }}”, {{ $offered->policy->scope() }}, version
            {{ $offered->policy->version }}.</p>
        @unless ($offered->window->allowed)
            <label class="tick-line"><input class="form-check-input" type="checkbox" name="despite" value="1" @checked($despite)> All the
                same: it is taken as goodwill</label>
        @endunless
    @endif
</div>
