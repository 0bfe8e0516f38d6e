@use('App\Orders\ShownMoney')
@use('App\Returns\WayOfReturn')
{{-- What a customer can still buy for, and what came back from them. --}}
@if ($credits->isNotEmpty())
    <section class="sheet pad" aria-labelledby="credit"><h2 id="credit">Store credit @foreach ($credits->groupBy('currency') as $currency =>
        $some)<span class="soft">{{ ShownMoney::of((int) $some->sum(fn ($one) => $one->balance()), $currency) }}</span> @endforeach</h2>
        <ul class="plain-list">@foreach ($credits as $credit)<li><b>{{ $credit->code }}</b>
            {{ ShownMoney::of($credit->balance(), $credit->currency) }} left<small class="soft">@foreach ($credit->entries as $entry)
                {{ $entry->kind->value }} {{ ShownMoney::of(abs($entry->amount), $credit->currency) }}{{
                    $entry->order_number === null ? '' :
                    " for {$entry->order_number}" }}, {{ $time->short($entry->at) }}{{ $loop->last ? '' : ';' }}@endforeach</small></li>
            @endforeach</ul></section>
@endif
@if ($returns->isNotEmpty())
    <section class="sheet pad" aria-labelledby="returns"><h2 id="returns">Returns <span class="soft">{{ $returns->count() }}</span></h2>
        @foreach ($returns as $return)<p class="return-of-customer"><a href="{{ route('return', $return) }}">{{ $return->number() }}</a>
            {{ $return->what() }}, {{ mb_strtolower($return->reason->name) }}</p><x-way-of-return
                :way="WayOfReturn::of($return)"/>@endforeach
    </section>
@endif
