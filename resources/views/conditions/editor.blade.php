@use('App\Views\ViewCounts')
{{-- The condition of a view or rule as sentences: $group, $fields, $form, $matching. --}}
<div class="condition-editor" id="condition-editor" hx-include="closest form" hx-target="this" hx-sync="this:replace"
    hx-swap="morph:outerHTML settle:0ms" hx-ext="morph">
    @include('conditions.group', ['group' => $group, 'name' => 'condition', 'place' => ''])
    <p class="soft" role="status">@if ($matching === null) This cannot be asked as it stands.
        @else {{ $matching >= ViewCounts::MOST ? 'A thousand or more fit' :
            trans_choice('{0} Nothing fits|{1} One conversation fits|[2,*] :count conversations fit', $matching, ['count' => $matching]) }}
        right now. @endif</p>
</div>
