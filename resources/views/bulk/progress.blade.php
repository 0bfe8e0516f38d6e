@use('App\Bulk\BulkChange')
@use('App\Bulk\PlanBulkChange')
<div id="bulk-progress" @if ($bulk->isAtWork()) hx-get="/bulk/{{ $bulk->id }}/progress" hx-trigger="every 1s" hx-swap="morph:outerHTML"
    hx-ext="morph" @endif>
    <div class="sheet pad bulk-summary" role="status">
        @switch($bulk->state)
            @case(BulkChange::PLANNED)
                <p><b>{{ trans_choice(
                    '{0} None of them would change.|{1} One conversation will change.|[2,*] :count conversations will change.',
                    $counts->planned, ['count' => $counts->planned]
                ) }}</b>
                    @if ($counts->skipped > 0){{ trans_choice('{1} One is left alone.|[2,*] :count are left alone.', $counts->skipped,
                        ['count' => $counts->skipped]) }}@endif
                    Nothing has happened yet. @if ($bulk->answersBy() !== null && $counts->all() > PlanBulkChange::TRIED) With so
                    many, whether each can be answered is seen as it is sent.@endif</p>
                @if ($counts->planned > 0)<form method="post" action="/bulk/{{ $bulk->id }}">@csrf<button class="btn btn-primary"
                    autofocus>Change {{ $counts->planned === 1 ? 'it' : "all {$counts->planned}" }}</button></form>@endif
                @break
            @case(BulkChange::RUNNING)
                <p><b>{{ $counts->changed + $counts->skipped }} of {{ $counts->all() }} done.</b>
                    It goes on by itself; you can leave this page.</p>
                <progress class="import-bar" max="{{ $counts->all() }}" value="{{ $counts->changed + $counts->skipped }}">{{
                    $counts->changed + $counts->skipped }} of {{ $counts->all() }}</progress>
                @break
            @case(BulkChange::DONE)
                <p><b>{{ trans_choice('{0} Nothing was changed.|{1} One conversation was changed.|[2,*] :count conversations were changed.',
                    $counts->changed, ['count' => $counts->changed]) }}</b>
                    @if ($counts->skipped > 0){{ trans_choice('{1} One was left alone.|[2,*] :count were left alone.', $counts->skipped,
                        ['count' => $counts->skipped]) }}@endif</p>
                @if ($bulk->canBeUndone() && $counts->changed > 0)<form method="post" action="/bulk/{{ $bulk->id }}/undo">@csrf<button
                    class="btn btn-outline-secondary">Undo it</button>
                    <span class="soft">possible until {{ $time->clock($bulk->undo_until) }}</span></form>@endif
                @break
            @case(BulkChange::UNDOING)
                <p><b>{{ $counts->undone }} of {{ $counts->undone + $counts->changed }} set back.</b> It goes on by itself.</p>
                @break
            @default
                <p><b>{{ trans_choice(
                    '{0} Nothing was set back.|{1} One conversation is as it was before.'
                        .'|[2,*] :count conversations are as they were before.',
                    $counts->undone, ['count' => $counts->undone]
                ) }}</b>
                    @if ($counts->changed > 0){{ trans_choice('{1} One stays as it is now.|[2,*] :count stay as they are now.',
                        $counts->changed, ['count' => $counts->changed]) }}@endif</p>
        @endswitch
        @if ($reasons->isNotEmpty())
            <ul class="reasons">@foreach ($reasons as $reason => $count)<li>{{ $count }}: {{ $reason }}</li>@endforeach</ul>
        @endif
    </div>
    <table class="table sheet below">
        <caption class="visually-hidden">The conversations</caption>
        <thead><tr><th scope="col">Conversation</th><th scope="col">Customer</th><th scope="col">State</th><th scope="col">What becomes
            of it</th></tr></thead>
        <tbody>
            @foreach ($items as $item)
                <tr id="bulk-{{ $item->conversation_id }}"><td><a
                    href="{{ route('conversation', $item->conversation_id) }}">{{ $item->conversation->number() }}</a>
                    {{ $item->conversation->subject }}</td><td>{{ $item->conversation->customer->name }}</td><td>{{
                        $item->conversation->state->label()
                        }}</td><td>{{ match ($item->state) { 'planned' => 'changes', 'changed' => 'changed', 'undone' => 'as before',
                        default => 'left alone' } }}@if ($item->reason !== ''):
                    {{ $item->reason }}@endif @isset($texts[$item->conversation_id])<details class="fold"
                    id="bulk-text-{{ $item->conversation_id }}"><summary>What they read</summary><div
                    class="plain-text">{{ $texts[$item->conversation_id] }}</div></details>@endisset</td></tr>
            @endforeach
        </tbody>
    </table>
    @if ($counts->all() > $items->count())<p class="soft">and {{ $counts->all() - $items->count() }} more</p>@endif
</div>
