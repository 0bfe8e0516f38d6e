{{-- What the team wants to remember of a customer or a company: $notes, and $action where one is written. --}}
<section class="sheet pad customer-notes" aria-labelledby="notes">
    <h2 id="notes">Notes for the team</h2>
    @foreach ($notes as $note)<div class="customer-note"><p
    class="plain-text">{{ $note->text }}</p><small>{{ $note->teammate->name }}, {{ $time->short($note->created_at)
        }}</small></div>@endforeach
    <form method="post" action="{{ $action }}">@csrf<label class="visually-hidden"
        for="note">Note</label><textarea class="form-control" id="note" name="text" rows="2"
        placeholder="What the team should remember of them" required></textarea><button
        class="btn btn-note btn-sm">Write note</button></form>
</section>
