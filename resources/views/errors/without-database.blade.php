<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    @if ($typed === null)<meta http-equiv="refresh" content="{{ $pause }}">@endif
    <title>Back in a moment · Cairnfield</title>
    @vite(['resources/scss/app.scss'])
</head>
<body>
<main class="narrow">
    <h1>Back in a moment</h1>
    <div class="sheet stack">
        @if ($typed === null)
            <p>What is kept cannot be reached just now. This page tries again by itself.</p>
        @else
            <p>What is kept cannot be reached just now, so this has not been taken over yet. It stands here; send it again in a few
                seconds.@isset($typed['once']) It happens once, however often it is sent.@endisset</p>
            @if ($hadFiles)<p>The files have to be chosen again.</p>@endif
            <form method="post" action="{{ $action }}" class="stack">
                @foreach ($typed as $name => $value)
                    @if (mb_strlen($value) > 40 || str_contains($value, "\n"))
                        <label class="visually-hidden" for="typed-{{ $loop->index }}">{{ $name }}</label>
                        <textarea class="form-control" id="typed-{{ $loop->index }}" name="{{ $name }}" rows="6">{{ $value }}</textarea>
                    @else
                        <input type="hidden" name="{{ $name }}" value="{{ $value }}">
                    @endif
                @endforeach
                <button class="btn btn-primary" autofocus>Send it again</button>
            </form>
        @endif
    </div>
</main>
</body>
</html>
