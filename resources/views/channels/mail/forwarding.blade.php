<section class="sheet stack" aria-labelledby="forwarding">
    <h2 id="forwarding">Forwarding instead of a mailbox</h2>
    <p>A mail server can hand messages over by <code>php artisan mail:take --account={{ $account->address }}</code>, or signed over HTTP
        to <code>/intake/mail/{{ $account->id }}</code>. How to sign is in docs/mail.md.</p>
    @if (session('forward_secret'))
        <p role="status">The new signing secret, shown this once: <code>{{ session('forward_secret') }}</code></p>
    @endif
    <form method="post" action="/accounts/{{ $account->id }}/forward-secret">@csrf<button class="btn btn-outline-secondary">Make a new
        signing secret</button></form>
</section>
