<!DOCTYPE html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>{{ $heading }} ·
    Cairnfield</title>@vite(['resources/scss/app.scss'])</head>
<body>
    <main class="narrow"><h1>{{ $heading }}</h1><div class="sheet stack"><p>{{ $text }}</p><p><a class="btn btn-primary"
        href="/queue">To the queue</a></p></div></main>
</body>
</html>
