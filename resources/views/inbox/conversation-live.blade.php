@include('inbox.trail')
@include('inbox.conversation-head', ['oob' => true])
@include('inbox.orders-beside', ['oob' => true])
@include('inbox.work-beside', ['oob' => true])
