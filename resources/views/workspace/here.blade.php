<div id="here" class="here" role="status" @isset($oob) hx-swap-oob="true"
    @endisset><input type="hidden" name="here" value="{{ $hereMark }}">@foreach ($here as $one)<span
    @class(['here-one', 'here-writes' => $one['writes']])>{{ $one['name'] }}
    {{ $one['writes'] ? 'is writing' : 'is looking' }}</span>@endforeach</div>
