// A conversation opens at what was said last, just above where one writes.
let shownAt = null;

export function showLatest() {
    if (document.getElementById('trail') && !window.location.hash && !document.getElementById('between')) {
        // The foot of the trail's side: on a telephone, the order and the customer come below it.
        const foot = document.getElementById('content').getBoundingClientRect().bottom + window.scrollY;
        window.scrollTo(0, foot - window.innerHeight);
        shownAt = window.scrollY;
    }
}

// What comes in between the two must not hide it, unless somebody has begun to read elsewhere.
document.addEventListener('htmx:afterSettle', (event) => {
    if (event.target.id === 'suggested' && shownAt !== null && window.scrollY >= shownAt - 4) {
        showLatest();
    }
});
