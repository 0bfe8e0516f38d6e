<div class="board" id="board" data-board-by="{{ $by->value }}" hx-get="/queue/{{ $view->key() }}/board/changes?{{ http_build_query(['by' => $by->value, 'mark' => $mark]) }}" hx-trigger="every 3s" hx-swap="morph:outerHTML" hx-ext="morph">
    @foreach ($columns as $column)
        <section class="board-column" aria-labelledby="column-{{ $loop->index }}">
            <h2 id="column-{{ $loop->index }}">{{ $column->label }} <span>{{ \App\Views\ViewCounts::show($column->count) }}</span></h2>
            <ul class="cards" data-column="{{ $column->key }}">
                @foreach ($column->cards as $card)
                    @php $conversation = $card->conversation; @endphp
                    <li class="card" id="card-{{ $conversation->id }}" data-card="{{ $conversation->id }}">
                        <div class="card-top"><x-cairn :standing="$card->standing"/><b>{{ $conversation->customer->name }}</b><x-icon :name="$conversation->channel->icon()" :label="$conversation->channel->label()"/></div>
                        <a href="{{ route('conversation', $conversation) }}" class="card-link">{{ $conversation->subject }}</a>
                        <p class="soft">{{ $conversation->orders->first()?->number ?? $conversation->number() }} · {{ $conversation->owner?->firstName() ?? 'nobody’s yet' }}@if ($card->standing !== null) · <span class="due">{{ $card->standing->timeLeft() }}</span>@endif</p>
                        <details class="menu card-menu" id="card-menu-{{ $conversation->id }}">
                            <summary aria-label="Move {{ $conversation->number() }}">Move</summary>
                            <div class="menu-panel menu-tall">
                                @foreach ($columns as $target)
                                    @continue($target->key === $column->key || ($target->key === 'resolved' && $by === \App\Views\BoardBy::State && ! $mayResolve))
                                    <form method="post" action="/board/move" data-move-to="{{ $target->key }}">
                                        @csrf
                                        <input type="hidden" name="conversation" value="{{ $conversation->id }}"><input type="hidden" name="by" value="{{ $by->value }}"><input type="hidden" name="to" value="{{ $target->key }}">
                                        @if ($by === \App\Views\BoardBy::State && $target->key === 'held')
                                            <label class="visually-hidden" for="reason-{{ $conversation->id }}">Who must act first, and why</label><input class="form-control form-control-sm" id="reason-{{ $conversation->id }}" name="reason" maxlength="300" placeholder="Who must act first, and why" required>
                                        @elseif ($by === \App\Views\BoardBy::State && $target->key === 'resolved')
                                            <label class="visually-hidden" for="outcome-{{ $conversation->id }}">Outcome</label><select class="form-select form-select-sm" id="outcome-{{ $conversation->id }}" name="outcome" required><option value="">Outcome …</option>@foreach ($outcomes as $outcome)<option value="{{ $outcome->id }}">{{ $outcome->name }}</option>@endforeach</select>
                                        @endif
                                        <button>to {{ $target->label }}</button>
                                    </form>
                                @endforeach
                            </div>
                        </details>
                    </li>
                @endforeach
            </ul>
            @if ($column->count > count($column->cards))<p class="soft board-more">and {{ \App\Views\ViewCounts::show($column->count - count($column->cards)) }} more, in the list</p>@endif
        </section>
    @endforeach
</div>
