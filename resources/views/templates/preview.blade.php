@if ($problem !== null)
    <p class="field-problem">{{ $problem }}</p>
@elseif ($conversation === null)
    <p class="soft">There is no such conversation to show it in.</p>
@elseif ($filled !== null)
    <p class="soft">{{ $conversation->number() }}, {{ $conversation->customer->name }}: {{ $conversation->subject }}</p>
    @if ($filled->gaps !== [])<p class="template-mark"><x-icon name="warning"/> Not filled here:
        @foreach ($filled->gaps as $gap)<code>{{ $gap->name }}</code>
        @endforeach. Give {{ count($filled->gaps) === 1 ? 'it' : 'them' }} something to fall back on, or ask with if.</p>@endif
    <div class="template-reads">{{ $filled->text }}</div>
@endif
