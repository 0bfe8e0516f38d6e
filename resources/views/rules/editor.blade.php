@use('App\Rules\RuleEvent')
@use('App\Rules\TimeTriggerSince')
@use('Illuminate\Support\Str')
{{-- A rule as a sentence, and beside it what fits right now. Each choice sends the whole form: what was asked before it is
    given up, so that an answer that comes late never takes a later choice back. --}}
<div class="rule-editor" id="rule-editor" hx-include="closest form" hx-target="this" hx-sync="this:replace"
    hx-swap="morph:outerHTML settle:0ms" hx-ext="morph">
    <div class="sheet pad rule-words">
        <fieldset class="rule-when"><legend>When</legend>
            @php $since = $clock['since'] ?? ''; @endphp
            <div class="action-line">
                <label class="visually-hidden" for="clock-since">What sets it off</label>
                <select class="form-select form-select-sm" id="clock-since" name="clock[since]" hx-post="{{ $redraw }}" hx-trigger="change">
                    <option value="">something happens:</option>
                    @foreach (TimeTriggerSince::cases() as $one)<option value="{{ $one->value }}"
                        @selected($since === $one->value)>so many hours {{ $one->label() }}</option>@endforeach
                    <option value="times" @selected($since === 'times')>at a set time</option>
                </select>
                @if ($since === '')
                    <details class="menu" id="events-menu">
                        <summary class="btn btn-sm btn-outline-secondary condition-chosen">{{ implode(' or ', array_map(fn ($event) =>
                            RuleEvent::from($event)->label(), $events)) ?: 'choose what happens …' }}</summary>
                        <div class="menu-panel menu-tall checks-panel">@foreach (RuleEvent::cases() as $event)<label><input
                            type="checkbox" class="form-check-input" name="events[]" value="{{ $event->value }}"
                            @checked(in_array($event->value, $events, true)) hx-post="{{ $redraw }}" hx-trigger="change">
                            {{ $event->label() }}</label>@endforeach</div>
                    </details>
                @elseif ($since === 'times')
                    @foreach ([1 => 'Mon', 2 => 'Tue', 3 => 'Wed', 4 => 'Thu', 5 => 'Fri', 6 => 'Sat', 7 => 'Sun'] as $day => $label)<label
                    class="day"><input type="checkbox" class="form-check-input" name="clock[days][]" value="{{ $day }}"
                        @checked(in_array((string) $day, array_map(strval(...), $clock['days'] ?? []), true))>
                        {{ $label }}</label>@endforeach
                    <label for="clock-time">at</label><input class="form-control form-control-sm hours" type="time" id="clock-time"
                        name="clock[time]" value="{{ $clock['time'] ?? '09:00' }}">
                @else
                    <label class="visually-hidden" for="clock-hours">How many hours</label><input
                        class="form-control form-control-sm hours" type="number" min="0" max="5000" id="clock-hours" name="clock[hours]"
                        value="{{ $clock['hours'] ?? '' }}">
                    <label class="visually-hidden" for="clock-in-hours">Which hours count</label><select
                        class="form-select form-select-sm" id="clock-in-hours" name="clock[in_hours]"><option
                        value="">hours</option><option value="1"
                        @selected((bool) ($clock['in_hours'] ?? false))>working hours</option></select>
                    <label for="clock-again">again every</label><input class="form-control form-control-sm hours" type="number" min="0"
                        max="5000" id="clock-again" name="clock[again]" value="{{ ($clock['again'] ?? 0) ?: '' }}" placeholder="once">
                        <span>hours</span>
                @endif
            </div>
        </fieldset>
        <div class="rule-which"><h2>and</h2>@include('conditions.group', ['group' => $group, 'name' => 'condition', 'place' => ''])</div>
        <fieldset class="rule-what"><legend>then</legend>
            @include('rules.actions', ['called' => 'actions', 'adds' => 'And also …'])
        </fieldset>
    </div>
    <section class="sheet pad rule-fitting" aria-live="polite">
        @if ($fitting === null)
            <h2>Fits right now</h2><p class="soft">This cannot be asked as it stands.</p>
        @else
            <h2>{{ count($fitting) === 0 ? 'Nothing' : (count($fitting) === 1 ? 'One conversation' : count($fitting).' conversations') }}
                of the latest {{ $looked === 1 ? 'one' : $looked }}</h2>
            <ul class="plain-list">@foreach (array_slice($fitting, 0, 6) as [$conversation, $because])<li><a
                href="/conversations/{{ $conversation->id }}">{{ Str::limit($conversation->subject, 60)
                    }}</a><small>{{ $because === [] ? 'always' : implode(' · ', $because) }}</small></li>@endforeach</ul>
            @if (count($fitting) > 6)<p class="soft">and {{ count($fitting) - 6 }} more</p>@endif
        @endif
    </section>
</div>
