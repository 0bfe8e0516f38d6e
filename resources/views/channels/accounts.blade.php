@extends('layouts.app')
@section('title', 'Accounts')
@section('content')
<main id="content" class="page">
    <div class="page-head"><h1>Accounts</h1><a class="btn btn-primary" href="/accounts/new">Connect an email address</a></div>
    @if ($accounts->isEmpty())
        <div class="empty"><p>No address is connected yet, so nothing can arrive. Connect the first one.</p></div>
    @else
    <table class="table sheet">
        <thead><tr><th scope="col">Address</th><th scope="col">Answers as</th><th scope="col">Team</th><th scope="col">Last heard</th><th scope="col">How it stands</th></tr></thead>
        <tbody>
            @foreach ($accounts as $account)
                <tr>
                    <td><a href="/accounts/{{ $account->id }}"><b>{{ $account->address }}</b></a></td>
                    <td>{{ $account->sender_name }}</td>
                    <td>{{ $account->team?->name ?? '—' }}</td>
                    <td>{{ $account->last_heard_at === null ? 'never' : $time->short($account->last_heard_at) }}</td>
                    <td>@if ($account->state === \App\Channels\AccountState::Paused) Paused @elseif ($account->last_error !== null)<span class="trouble-text">{{ $account->last_error }}</span>@else Connected @endif</td>
                </tr>
            @endforeach
        </tbody>
    </table>
    @endif
</main>
@endsection
