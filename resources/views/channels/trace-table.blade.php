@use('Illuminate\Support\Str')
<table class="table sheet">
    <thead><tr><th scope="col">When</th><th scope="col">Account</th><th scope="col">What is wrong</th><th scope="col">Times</th><th
        scope="col"><span class="visually-hidden">What can be done</span></th></tr></thead>
    <tbody>
        @foreach ($traces as $trace)
            <tr>
                <td class="nowrap">{{ $time->short($trace->at) }}</td>
                <td>{{ $trace->account->title() }}<small
                    class="d-block">{{ $trace->way === 'webhook' ? 'by notification' : 'when catching up' }}</small></td>
                <td class="wrap-anywhere">{{ $trace->reason }}@if ($trace->event !== null)<details
                    class="fold"><summary>The event, {{ $trace->size }} bytes</summary><pre
                    class="code">{{ Str::limit($trace->event, 4000) }}</pre></details>@endif</td>
                <td>{{ $trace->times }}</td>
                <td class="row-buttons">@if ($trace->state === 'kept')<form method="post"
                    action="/troubles/{{ $trace->id }}/take">@csrf<button class="btn btn-sm btn-outline-secondary">Take it
                    again</button></form> @endif @if (in_array($trace->state, ['kept', 'noted'], true))<form method="post"
                    action="/troubles/{{ $trace->id }}/put-aside">@csrf<button class="btn btn-sm btn-outline-secondary">Put
                    aside</button></form>@else<span class="soft">{{ $trace->state === 'taken' ? 'taken' : 'put aside' }}</span>@endif</td>
            </tr>
        @endforeach
    </tbody>
</table>
