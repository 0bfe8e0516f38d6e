@use('App\Returns\WayOfReturn')
{{-- The returns of a conversation, each with its way. --}}
<div id="returns-beside" @isset($oob) hx-swap-oob="morph" @endisset>
    @foreach ($customerReturns as $one)
        <section class="return-beside" aria-labelledby="return-{{ $one->id }}">
            <h2 id="return-{{ $one->id }}">Return <a href="{{ route('return', $one) }}">{{ $one->number() }}</a>
                <span class="soft">{{ $one->isStuck() ? 'stuck' : $one->state->label() }}</span></h2>
            <p>{{ $one->what() }}, {{ mb_strtolower($one->reason->name) }}</p>
            <x-way-of-return :way="WayOfReturn::of($one)"/>
        </section>
    @endforeach
</div>
