@props(['count'])
<span class="stars" role="img" aria-label="{{ $count }} of 5 stars">{{ str_repeat('★', $count) }}{{ str_repeat('☆', 5 - $count) }}</span>
