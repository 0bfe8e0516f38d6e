@use('Illuminate\Support\Str')
@if ($preview === null)
    <p class="field-problem" role="alert">{{ $why }}</p>
@else
    <p role="status"><b>{{ trans_choice(
        '{0} Nothing that is open would fall due at another time.|{1} One open conversation would fall due at another time.'
        .'|[2,*] :count open conversations would fall due at another time.', $preview->changes, ['count' => $preview->changes]) }}</b>
        {{ trans_choice('{0} It would be for none of them|{1} It would be for one of them|[2,*] It would be for :count of them',
            $preview->fit, ['count' => $preview->fit]) }}{{ $preview->looked < $preview->open ?
            ", of the {$preview->looked} that come first of {$preview->open}" : '' }}.</p>
    @if ($preview->missed === [])
        <p class="soft">None would be missed by that.</p>
    @else
        <p class="due-missed">{{ trans_choice('{1} One would be missed at once:|[2,*] :count would be missed at once:',
            count($preview->missed), ['count' => count($preview->missed)]) }}</p>
        <ul class="plain-list">@foreach (array_slice($preview->missed, 0, 8) as $conversation)<li><a
            href="/conversations/{{ $conversation->id }}">{{ $conversation->number() }}
            {{ Str::limit($conversation->subject, 60) }}</a></li>@endforeach</ul>
        @if (count($preview->missed) > 8)<p class="soft">and {{ count($preview->missed) - 8 }} more</p>@endif
    @endif
@endif
