@include('inbox.trail')
@include('inbox.conversation-head', ['oob' => true])
