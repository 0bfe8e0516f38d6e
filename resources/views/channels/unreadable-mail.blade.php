@extends('layouts.app')
@use('App\Conversations\Attachment')
@section('title', 'Unreadable mail')
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <h1>Unreadable mail</h1>
    <p class="soft">Messages that could not be made a conversation. Each is kept whole, and the mailbox went on.</p>
    @if ($kept->isEmpty())
        <div class="empty"><p>There is none. Everything that arrived could be read.</p></div>
    @else
    <table class="table sheet">
        <thead><tr><th scope="col">Arrived</th><th scope="col">From</th><th scope="col">Subject</th><th scope="col">Size</th><th
            scope="col">Why</th><th scope="col">What to do</th></tr></thead>
        <tbody>
            @foreach ($kept as $mail)
                <tr>
                    <td class="nowrap">{{ $time->short($mail->received_at) }}<br><small
                        class="soft">{{ $mail->account?->shortAddress() }}</small></td>
                    <td class="wrap-anywhere">{{ $mail->from ?: '—' }}</td>
                    <td class="wrap-anywhere">{{ $mail->subject ?: '—' }}</td>
                    <td class="nowrap">{{ Attachment::sizeText($mail->size) }}</td>
                    <td>{{ $mail->reason }}</td>
                    <td class="row-buttons">
                        <a class="btn btn-sm btn-outline-secondary" href="/unreadable-mail/{{ $mail->id }}/original">Original</a>
                        <form method="post" action="/unreadable-mail/{{ $mail->id }}/take">@csrf<button
                            class="btn btn-sm btn-outline-secondary">Try again</button></form>
                        <form method="post" action="/unreadable-mail/{{ $mail->id }}/put-aside">@csrf<button
                            class="btn btn-sm btn-outline-secondary">Put aside</button></form>
                    </td>
                </tr>
            @endforeach
        </tbody>
    </table>
    {{ $kept->links() }}
    @endif
</main>
@endsection
