@use('App\Support\Drawings')
@use('App\Views\ViewCounts')
<div class="board" id="board" data-board-by="{{ $by->value }}"
    hx-get="/queue/{{ $view->key() }}/board/changes?{{ http_build_query(['by' => $by->value, 'mark' => $mark]) }}"
    hx-trigger="every {{ config('cairnfield.queue.asks_every') }}s, redraw" hx-swap="morph:outerHTML" hx-ext="morph">
    @foreach ($columns as $column)
        <section class="board-column" aria-labelledby="column-{{ $loop->index }}">
            <h2 id="column-{{ $loop->index }}">{{ $column->label }} <span>{{ ViewCounts::show($column->count) }}</span></h2>
            <ul class="cards" data-column="{{ $column->key }}">
                @foreach ($column->cards as $card)
                    @php $conversation = $card->conversation; @endphp
                    <li class="card" id="card-{{ $conversation->id }}" data-card="{{ $conversation->id }}">
                        <div class="card-top">{{ Drawings::cairn($card->standing) }}<b>{{ $conversation->customer->name
                            }}</b>{{ Drawings::icon($conversation->channel->icon(), $conversation->channel->label()) }}</div>
                        <a href="{{ route('conversation', $conversation) }}" class="card-link">{{ $conversation->subject }}</a>
                        <p class="soft">{{ $conversation->orders->first()?->number ?? $conversation->number() }} ·
                            {{ $conversation->owner?->firstName() ?? 'nobody’s yet' }}@if ($card->standing !== null) ·
                            <span class="due">{{ $card->standing->timeLeft() }}</span>@endif</p>
                        <a class="card-move" href="{{ route('conversation', $conversation) }}" data-move
                            aria-label="Move {{ $conversation->number() }}">Move</a>
                    </li>
                @endforeach
            </ul>
            @if ($column->count > count($column->cards))<p class="soft board-more">and
                {{ ViewCounts::show($column->count - count($column->cards)) }} more, in the list</p>@endif
        </section>
    @endforeach
</div>
