<span @class(['begin-mark', 'is-done' => $isDone])>@if ($isDone)<x-icon name="tick"/><span class="visually-hidden">Done: </span>@else
    {{ $number }}@endif</span>
