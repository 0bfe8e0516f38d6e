{{-- What waits for a yes or no; an empty place where nothing does. --}}
<div id="approval-place" @isset($oob) hx-swap-oob="morph" @endisset>
@if ($approval !== null)
<section class="between approval" id="approval-{{ $approval->id }}" aria-labelledby="approval-title">
    <h2 id="approval-title">Needs {{ $approval->askedOf === null ? 'a lead’s' : $approval->askedOf->firstName().'’s' }} yes or no</h2>
    <p class="plain-text">{{ $approval->question }}</p>
    <p class="soft">Asked by {{ $approval->askedBy->name ?? 'a rule' }} {{ $time->short($approval->asked_at) }}. Held until there is an
        answer.</p>
    <form method="post" action="/approvals/{{ $approval->id }}" class="inline-form">
        @csrf
        <x-default-button/>
        @if ($approval->isOfMoney())
            <a class="btn btn-primary" href="/approvals/{{ $approval->id }}">See the worksheet</a>
        @elseif ($teammate->can('answer', $approval))
            <label class="visually-hidden" for="approval-answer">What to go by</label><input class="form-control" id="approval-answer"
                name="answer" maxlength="500" value="{{ old('answer') }}" placeholder="What to go by; needed for a no">
            <button class="btn btn-primary" name="do" value="give">Approve</button>
            <button class="btn btn-outline-secondary" name="do" value="decline">Decline</button>
        @endif
        @if ($teammate->can('withdraw', $approval))<button class="btn btn-link" name="do" value="withdraw">Withdraw the
            question</button>@endif
    </form>
</section>
@endif
</div>
