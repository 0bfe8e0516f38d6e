{{-- What is done at the warning and at the miss, each beside what people are told anyway. --}}
<div class="sheet pad promise-does" id="promise-does" hx-include="closest form" hx-target="this" hx-sync="this:replace"
    hx-swap="morph:outerHTML settle:0ms" hx-ext="morph">
    <h2>And besides</h2>
    <p class="soft">The owner is told in any case, and of what nobody has the leads.</p>
    @foreach (['warning' => 'When one is about to be missed', 'miss' => 'When one is missed'] as $when => $label)
        <fieldset class="rule-what"><legend>{{ $label }}</legend>
            @include('rules.actions', [
                'actions' => $does[$when], 'called' => "does[{$when}]", 'of' => $when, 'redraw' => '/promises/redraw',
                'adds' => $does[$when] === [] ? 'Do something …' : 'And also …',
            ])
        </fieldset>
    @endforeach
</div>
