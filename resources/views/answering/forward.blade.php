@extends('layouts.app')
@use('App\Conversations\Attachment')
@use('Illuminate\Support\Str')
@section('title', "Forward {$conversation->number()}")
@section('content')
<main id="content" class="page page-narrow">
    <div class="page-head"><h1>Forward “{{ $conversation->subject }}”</h1><a class="btn btn-outline-secondary"
        href="{{ route('conversation', $conversation) }}">Back</a></div>
    @if ($errors->any())<ul class="field-problem"
        role="alert">@foreach ($errors->all() as $problem)<li>{{ $problem }}</li>@endforeach</ul>@endif
    <form method="post" action="/conversations/{{ $conversation->id }}/forward" class="sheet pad">
        @csrf
        <input type="hidden" name="once" value="{{ $onceKey }}">
        <label class="form-label" for="forward-to">To, with commas between</label>
        <input class="form-control" id="forward-to" name="to" value="{{ old('to') }}" maxlength="2000" required autofocus>
        <label class="form-label" for="forward-text">Your words before it</label>
        <textarea class="form-control" id="forward-text" name="text" rows="4" data-send-with-ctrl-enter>{{ old('text') }}</textarea>
        <fieldset class="forward-messages"><legend class="form-label">What goes along</legend>
            @foreach ($messages as $message)
                @php $isChosen = $chosen === 0 || $chosen === $message->id; @endphp
                <div><label><input type="checkbox" class="form-check-input" name="messages[]" value="{{ $message->id }}"
                    @checked($isChosen)>
                    <b>{{ $message->isIncoming() ? ($message->from_name ?: $message->from_address) : ($message->teammate->name ??
                        $message->from_name) }}</b>
                    {{ $time->short($message->received_at) }}</label>
                    <span class="soft">{{ Str::limit(Str::squish($message->text), 110) }}</span>
                    @foreach ($message->attachments as $file)<label class="forward-file"><input type="checkbox" class="form-check-input"
                        name="files[]" value="{{ $file->id }}" @checked($isChosen)> {{ $file->name }}
                        <small>{{ Attachment::sizeText($file->size) }}</small></label>@endforeach</div>
            @endforeach
        </fieldset>
        <p class="soft">It leaves from {{ $conversation->account->answersByMail()?->address ?? 'no account that sends mail' }}. The
            customer does not see it; the trail here does.</p>
        <button class="btn btn-primary">Forward <kbd>Ctrl ↵</kbd></button>
    </form>
</main>
@endsection
