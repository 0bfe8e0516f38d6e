@foreach ($completions as $completion)<option value="{{ $completion }}">@endforeach
