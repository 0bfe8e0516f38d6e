<section class="sheet stack" aria-labelledby="embedding">
    <h2 id="embedding">On the shop’s page</h2>
    <p><a href="/forms/{{ $account->address }}" target="_blank" rel="noopener">See the form</a></p>
    <p>A link to <code>{{ config('app.url') }}/forms/{{ $account->address }}</code>, or in a frame:</p>
    <pre class="code">&lt;iframe src="{{ config('app.url') }}/forms/{{ $account->address }}/frame" title="{{ $account->settings['title']
        ?? 'Write to us' }}" width="100%" height="760"&gt;&lt;/iframe&gt;</pre>
</section>
