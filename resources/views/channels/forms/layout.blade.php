@use('App\Store\Store')
<!DOCTYPE html>
<html lang="@yield('language', 'en')">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <title>@yield('title') · {{ Store::current()->name }}</title>
    @vite(['resources/scss/app.scss'])
</head>
<body class="for-customers">
    <main class="sheet">@yield('content')</main>
</body>
</html>
