@use('App\Bulk\BulkChange')
@php
    $planned = (int) ($counts['planned'] ?? 0);
    $changed = (int) ($counts['changed'] ?? 0);
    $skipped = (int) ($counts['skipped'] ?? 0);
    $undone = (int) ($counts['undone'] ?? 0);
    $all = $planned + $changed + $skipped + $undone;
@endphp
<div id="bulk-progress" @if ($bulk->isAtWork()) hx-get="/bulk/{{ $bulk->id }}/progress" hx-trigger="every 1s" hx-swap="morph:outerHTML"
    hx-ext="morph" @endif>
    <div class="sheet pad bulk-summary" role="status">
        @switch($bulk->state)
            @case(BulkChange::PLANNED)
                <p><b>{{ trans_choice(
                    '{0} None of them would change.|{1} One conversation will change.|[2,*] :count conversations will change.',
                    $planned, ['count' => $planned]
                ) }}</b>
                    @if ($skipped > 0){{ trans_choice('{1} One is left alone.|[2,*] :count are left alone.', $skipped, ['count' =>
                        $skipped]) }}@endif
                    Nothing has happened yet.</p>
                @if ($planned > 0)<form method="post" action="/bulk/{{ $bulk->id }}">@csrf<button class="btn btn-primary"
                    autofocus>Change {{ $planned === 1 ? 'it' : "all {$planned}" }}</button></form>@endif
                @break
            @case(BulkChange::RUNNING)
                <p><b>{{ $changed + $skipped }} of {{ $all }} done.</b> It goes on by itself; you can leave this page.</p>
                <progress class="import-bar" max="{{ $all }}" value="{{ $changed + $skipped }}">{{ $changed + $skipped }} of
                    {{ $all }}</progress>
                @break
            @case(BulkChange::DONE)
                <p><b>{{ trans_choice('{0} Nothing was changed.|{1} One conversation was changed.|[2,*] :count conversations were changed.',
                    $changed, ['count' => $changed]) }}</b>
                    @if ($skipped > 0){{ trans_choice('{1} One was left alone.|[2,*] :count were left alone.', $skipped, ['count' =>
                        $skipped]) }}@endif</p>
                @if ($bulk->canBeUndone() && $changed > 0)<form method="post" action="/bulk/{{ $bulk->id }}/undo">@csrf<button
                    class="btn btn-outline-secondary">Undo it</button>
                    <span class="soft">possible until {{ $time->clock($bulk->undo_until) }}</span></form>@endif
                @break
            @case(BulkChange::UNDOING)
                <p><b>{{ $undone }} of {{ $undone + $changed }} set back.</b> It goes on by itself.</p>
                @break
            @default
                <p><b>{{ trans_choice(
                    '{0} Nothing was set back.|{1} One conversation is as it was before.'
                        .'|[2,*] :count conversations are as they were before.',
                    $undone, ['count' => $undone]
                ) }}</b>
                    @if ($changed > 0){{ trans_choice('{1} One stays as it is now.|[2,*] :count stay as they are now.', $changed,
                        ['count' => $changed]) }}@endif</p>
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
                    {{ $item->reason }}@endif</td></tr>
            @endforeach
        </tbody>
    </table>
    @if ($all > $items->count())<p class="soft">and {{ $all - $items->count() }} more</p>@endif
</div>
