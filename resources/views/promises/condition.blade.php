<div class="condition-editor" id="condition-editor" hx-include="closest form" hx-target="this" hx-sync="this:replace"
    hx-swap="morph:outerHTML settle:0ms" hx-ext="morph">
    @include('conditions.group', ['group' => $group, 'name' => 'condition', 'place' => '', 'redraw' => '/promises/redraw'])
</div>
