<section class="sheet stack mt-3" aria-labelledby="details">
    <h2 id="details">How answers and reports find back</h2>
    @if ($account->takes_details)
        <p>Each answer is sent from an address of its own, and asks for replies to one of its conversation (such as
            <code>{{ Str::replaceLast('@', '+c1042.…@', $account->address) }}</code>): what comes back is tied to it, whatever else
            it says. A mail of ours to such an address has arrived here.</p>
    @else
        <p>By what mail programs say of the message that they answer. Addresses of their own for each answer
            (<code>{{ Str::replaceLast('@', '+…@', $account->address) }}</code>) are not used:
            {{ $account->details_tried_at === null
                ? 'it is not known yet whether this mail server takes them.'
                : "a mail of ours to one, sent {$time->short($account->details_tried_at)}, has not arrived here." }}
            Checking the connection tries it again.</p>
    @endif
</section>
<section class="sheet stack mt-3" aria-labelledby="forwarding">
    <h2 id="forwarding">Forwarding instead of a mailbox</h2>
    <p>A mail server can hand messages over by <code>php artisan mail:take --account={{ $account->address }}</code>, or signed over HTTP
        to <code>/intake/mail/{{ $account->id }}</code>. How to sign is in docs/mail.md.</p>
    @if (session('forward_secret'))
        <p role="status">The new signing secret, shown this once: <code>{{ session('forward_secret') }}</code></p>
    @endif
    <form method="post" action="/accounts/{{ $account->id }}/forward-secret">@csrf<button class="btn btn-outline-secondary">Make a new
        signing secret</button></form>
</section>
