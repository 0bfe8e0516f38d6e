@if ($retired->isNotEmpty())
    <details class="retired">
        <summary>{{ trans_choice('{1} One is retired|[2,*] :count are retired', $retired->count(), ['count' => $retired->count()])
            }}</summary>
        <ul class="sheet">
            @foreach ($retired as $word)
                <li><span>{{ $word->path ?? $word->name }}</span>@if (($word->merged_into_id ?? null) !== null)<span class="soft">merged
                    into {{ $mergedNames[$word->merged_into_id] ?? 'another' }}</span>@endif
                    <form method="post" action="{{ $at }}/{{ $word->id }}/bring-back">@csrf<button
                        class="btn btn-sm btn-outline-secondary">Bring back
                        <span class="visually-hidden">{{ $word->name }}</span></button></form></li>
            @endforeach
        </ul>
    </details>
@endif
