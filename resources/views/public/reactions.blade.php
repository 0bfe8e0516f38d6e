@use('App\Lookout\React')
{{-- What can be done in public with an item: done once, it is taken back by the same button. --}}
@foreach ($item->removed_at === null ? React::possible($account) : [] as $what)
    @php $isDone = $item->getAttribute(React::column($what)) !== null; @endphp
    <form method="post" action="/public/items/{{ $item->id }}/react">@csrf<button name="what" value="{{ $what }}" class="foot-button"
        aria-pressed="{{ $isDone ? 'true' : 'false' }}">{{ ['like' => $isDone ? 'Liked' : 'Like', 'repost' => $isDone ? 'Re-posted' :
            'Re-post'][$what] }}</button></form>
@endforeach
