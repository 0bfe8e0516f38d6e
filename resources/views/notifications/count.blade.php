<a href="/news" id="news-count" hx-get="/news/count?shown={{ $unreadNews }}" hx-trigger="every 10s" hx-swap="outerHTML"
    @if (request()->is('news')) aria-current="page" @endif>News @if ($unreadNews > 0)<span class="count">{{ $unreadNews }}</span>@endif</a>
