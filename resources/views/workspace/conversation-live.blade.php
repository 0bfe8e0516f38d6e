@include('workspace.trail')
@include('workspace.conversation-head', ['oob' => true])
@foreach ([...$panelsAbove, ...$panelsBeside] as $panel)
    @include($panel, ['oob' => true])
@endforeach
