@use('App\Conversations\Attachment')
@use('App\Returns\Grade')
@use('App\Returns\KeepPhotos')
@use('App\Returns\ReturnState')
@use('App\Support\RefusedInput')
{{-- One return beside the list: where it stands, and what is to be done with it. --}}
@php $at = "/returns/{$return->id}"; @endphp
<section class="sheet pad bench-one" aria-labelledby="one-title">
    <h2 id="one-title">{{ $return->number() }} · {{ $return->isStuck() ? 'stuck' : $return->state->label() }}</h2>
    <p class="bench-what">{{ $return->what() }} · {{ mb_strtolower($return->reason->name) }} · <a
        href="{{ route('order', $return->order) }}">{{ $return->order->number }}</a> of {{
            $time->local($return->order->placed_at)->format('j M') }}
        @if ($conversation) · <a href="{{ route('conversation', $conversation) }}">{{ $conversation->number() }}</a>@endif</p>
    @if ($return->note !== '')<p class="soft">“{{ $return->note }}”</p>@endif
    <x-way-of-return :way="$way"/>
    @if ($return->state === ReturnState::Asked)
        <ul class="offered offered-terms">@foreach ($holds as $sentence)<li>{{ $sentence }}</li>@endforeach</ul>
        @if ($mayDecide)
            @if ($terms->needsPhoto && $return->photos->isEmpty())<p class="soft">The policy asks for a photo.</p>@endif
            <form method="post" action="{{ $at }}/agree" class="bench-step">@csrf
                @unless ($return->stays)<label class="tick-line"><input class="form-check-input" type="checkbox" name="own_label" value="1">
                    The customer sends it without a label of ours</label>@endunless
                <button class="btn btn-primary" data-key="a">{{ $return->stays ? 'Agree: they keep it' : 'Agree' }}
                    <kbd>A</kbd></button>
                @include('returns.tells', ['step' => 'agreed'])</form>
            <form method="post" action="{{ $at }}/decline" class="bench-step">@csrf<label class="form-label" for="decline-why">Why
                not</label><input class="form-control form-control-sm" id="decline-why" name="why" maxlength="300"
                value="{{ RefusedInput::in("{$at}/decline")->value('why') }}"><button
                    class="btn btn-outline-secondary">Decline</button>
                @include('returns.tells', ['step' => 'declined'])</form>
        @else
            <p class="soft">Care decides whether it may come back.</p>
        @endif
    @endif
    @if ($return->state->isExpected())
        <p>@if ($return->label_file !== null)Label <a href="{{ $at }}/label">{{ $return->label_number }}</a>@else{{ match (true) {
            $return->label_number !== null => "Its parcel is {$return->label_number}, without a label of ours.",
            $return->label_next_at !== null => 'The carrier is asked for a label.',
            default => 'Without a label of ours.',
        } }}@endif
            @if ($return->seen_at !== null)<span class="soft">Last seen {{ $time->short($return->seen_at) }}.</span>@endif</p>
        @if ($return->label_why !== null)<p class="field-problem">{{ $return->label_why }}</p>@endif
        @if ($return->label_file === null)
            <form method="post" action="{{ $at }}/label" class="bench-step">@csrf<label class="form-label" for="label-number">Number of its
                parcel; empty asks for a label again</label><input class="form-control form-control-sm" id="label-number" name="number"
                maxlength="60" value="{{ RefusedInput::in("{$at}/label")->value('number') }}"><button
                class="btn btn-outline-secondary">Save</button></form>
        @endif
        <form method="post" action="{{ $at }}/arrive" class="bench-step">@csrf<button class="btn btn-primary">It is here</button>
            @include('returns.tells', ['step' => 'arrived'])</form>
    @endif
    @if ($return->state === ReturnState::Arrived)
        @include('returns.inspect')
    @endif
    @if ($return->units->isNotEmpty())
        <ul class="plain-list bench-found" aria-label="How it was found">@foreach ($return->units as $unit)<li>{{
            $unit->order_line_id === null ? $unit->title :
                $return->lines->firstWhere('order_line_id', $unit->order_line_id)?->orderLine->title
            }}: <b>{{ mb_strtolower($unit->grade->label()) }}</b>{{ $unit->to_stock ? ', back to stock' : '' }}</li>@endforeach</ul>
    @endif
    @if ($return->state === ReturnState::Inspected && $worth !== null)
        <div class="goes-back-box">
            @if ($worth->quote !== null)
                <p><b>{{ $return->order->money($worth->total()) }} goes back</b></p>
                <ul>@foreach ($worth->explained as $sentence)<li>{{ $sentence }}</li>@endforeach</ul>
            @else
                <p><b>Nothing goes back as it stands.</b> {{ $worth->why?->getMessage() }}</p>
            @endif
        </div>
        @if ($mayDecide)
            <p><a class="btn btn-primary" data-key="s" href="/orders/{{ $return->order_id }}/refund?return={{ $return->id }}{{
                $conversation ? "&conversation={$conversation->id}" : '' }}">{{
                    $mayGive ? 'Give it back' : 'Ask a lead to give it back' }}</a></p>
            <form method="post" action="{{ $at }}/settle" class="bench-step bench-two">@csrf
                <a class="btn btn-sm btn-outline-secondary" href="/orders/{{ $return->order_id }}/send?return={{ $return->id }}{{
                    $conversation ? "&conversation={$conversation->id}" : '' }}">Exchange it</a>
                @unless ($return->stays)<button class="btn btn-sm btn-outline-secondary" name="as" value="sent_back">It goes back to the
                    customer</button>@endunless
                <button class="btn btn-sm btn-outline-secondary" name="as" value="nothing">Settle without money</button></form>
        @else
            <p class="soft">Care settles it from here.</p>
        @endif
    @endif
    @if ($return->notices->isNotEmpty())
        <ul class="plain-list bench-told"
            aria-label="What the customer was told">@foreach ($return->notices as $notice)<li>{{ match (true) {
            $notice->told_at !== null => "Told “{$notice->template?->name}” {$time->short($notice->told_at)}",
            $notice->why !== null => "Not told “{$notice->template?->name}”: {$notice->why}",
            default => "Is being told “{$notice->template?->name}”",
        } }}</li>@endforeach</ul>
    @endif
    @if ($return->refunds->isNotEmpty())
        <ul class="plain-list">@foreach ($return->refunds as $refund)<li><a href="/refunds/{{ $refund->id }}">{{
            $return->order->money($refund->total) }}</a>: {{ $refund->state->label() }}</li>@endforeach</ul>
    @endif
    @if ($return->state !== ReturnState::Asked)
        <h3>Photos <span class="soft">{{ $return->photos->count() ?: '' }}</span></h3>
        @if ($return->photos->isNotEmpty())
            <p class="bench-photos">@foreach ($return->photos as $photo)<a href="/return-photos/{{ $photo->id }}"><img
                src="/return-photos/{{ $photo->id }}" alt="{{ $photo->name }}" width="74" height="54" loading="lazy"></a>@endforeach</p>
        @endif
        <form method="post" action="{{ $at }}/photos" enctype="multipart/form-data" class="bench-step bench-two">@csrf<label
            class="visually-hidden" for="bench-photos">Photos, {{ KeepPhotos::MOST }} at most</label><input
            class="form-control form-control-sm" type="file" id="bench-photos" name="photos[]" multiple
            accept="image/png,image/jpeg,image/webp" data-key="p" data-sends
            data-largest="{{ KeepPhotos::LARGEST }}"><button class="btn btn-sm btn-outline-secondary">Add
                <kbd>P</kbd>
            </button></form>
    @endif
    @if ($mayDecide && in_array($return->state, [ReturnState::Asked, ReturnState::Agreed, ReturnState::OnItsWay], true))
        <form method="post" action="{{ $at }}/withdraw" class="bench-step">@csrf<button
            class="btn btn-sm btn-link">The customer does not send
            it after all</button></form>
    @endif
    @if (in_array($return->state, [ReturnState::Declined, ReturnState::Withdrawn, ReturnState::Lapsed], true))
        @if ($return->why !== '')<p>“{{ $return->why }}”</p>@endif
        <form method="post" action="{{ $at }}/arrive" class="bench-step">@csrf<button class="btn btn-outline-secondary">It came all the
            same</button></form>
    @endif
</section>
