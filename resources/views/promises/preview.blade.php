@use('Illuminate\Support\Str')
@if ($preview === null)
    <p class="field-problem" role="alert">{{ $why }}</p>
@else
    <div @if (! $preview->isAll()) hx-post="/promises/preview" hx-trigger="load" hx-include=".promise-form" hx-target="#promise-preview"
        hx-vals="{{ json_encode(['so_far' => ['upTo' => $preview->upTo, 'looked' => $preview->looked, 'fit' => $preview->fit,
            'changes' => $preview->changes, 'missed' => $preview->missed, 'named' => $preview->named]]) }}" @endif>
    <p role="status"><b>{{ trans_choice(
        '{0} Nothing that is open would fall due at another time.|{1} One open conversation would fall due at another time.'
        .'|[2,*] :count open conversations would fall due at another time.', $preview->changes, ['count' => $preview->changes]) }}</b>
        {{ trans_choice('{0} It would be for none of them|{1} It would be for one of them|[2,*] It would be for :count of them',
            $preview->fit, ['count' => $preview->fit]) }}{{ $preview->isAll() ? '' :
            ": {$preview->looked} of {$preview->open} are reckoned so far" }}.</p>
    @if ($preview->missed === 0)
        <p class="soft">None would be missed by that.</p>
    @else
        <p class="due-missed">{{ trans_choice('{1} One would be missed at once:|[2,*] :count would be missed at once:',
            $preview->missed, ['count' => $preview->missed]) }}</p>
        <ul class="plain-list">@foreach ($missed as $conversation)<li><a
            href="/conversations/{{ $conversation->id }}">{{ $conversation->number() }}
            {{ Str::limit($conversation->subject, 60) }}</a></li>@endforeach</ul>
        @if ($preview->missed > count($missed))<p class="soft">and {{ $preview->missed - count($missed) }} more</p>@endif
    @endif
    </div>
@endif
