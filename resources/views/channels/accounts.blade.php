@extends('layouts.app')
@use('App\Channels\AccountState')
@section('title', 'Accounts')
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>Accounts</h1>
        <details class="menu"><summary class="btn btn-primary">Connect …</summary>
            <div class="menu-panel menu-end menu-wide">@foreach ($channels as $channel)<a
                href="/accounts/new?channel={{ $channel->value }}"><x-icon :name="$channel->icon()"/>
                <b>{{ $channel->label() }}</b><small>{{ $channel->type()->description() }}</small></a>@endforeach</div>
        </details>
    </div>
    @if ($accounts->isEmpty())
        <div class="empty"><p>No account is connected yet, so nothing can arrive. Connect the first one: the address that customers
            write to.</p></div>
    @else
    <table class="table sheet">
        <thead><tr><th scope="col">Way</th><th scope="col">Account</th><th scope="col">Answers as</th><th scope="col">Team</th><th
            scope="col">Last heard</th><th scope="col">How it stands</th></tr></thead>
        @foreach ($channels as $channel)
            @if ($accounts->has($channel->value))
            <tbody>
                @foreach ($accounts[$channel->value] as $account)
                <tr>
                    <td class="nowrap"><x-icon :name="$channel->icon()"/> {{ $channel->label() }}</td>
                    <td><a href="/accounts/{{ $account->id }}"><b>{{ $account->address }}</b></a></td>
                    <td>{{ $channel->bringsMessages() ? $account->sender_name : '—' }}</td>
                    <td>{{ $account->team?->name ?? '—' }}</td>
                    <td>{{ $account->last_heard_at === null ? 'never' : $time->short($account->last_heard_at) }}</td>
                    <td>@if ($account->state !== AccountState::Active) {{ $account->state->label() }}
                        @elseif ($account->last_error !== null)<span class="trouble-text">{{ $account->last_error }}</span>@else
                        Connected @endif</td>
                </tr>
                @endforeach
            </tbody>
            @endif
        @endforeach
    </table>
    @endif
    @if ($insideHosts !== [])
        <section aria-labelledby="inside-hosts"><h2 id="inside-hosts">Inside our own network</h2>
            <p class="soft">These were allowed by name; anything else inside is not written to.</p>
            <ul class="inside-hosts">@foreach ($insideHosts as $host)<li><form method="post"
                action="/accounts/inside-hosts/forbid">@csrf<b>{{ $host }}</b> <input type="hidden" name="host"
                value="{{ $host }}"><button class="btn btn-sm btn-outline-secondary">Forbid<span class="visually-hidden">
                {{ $host }}</span></button></form></li>@endforeach</ul></section>
    @endif
</main>
@endsection
