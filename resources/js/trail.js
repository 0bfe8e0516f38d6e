// A conversation opens at what was said last, just above where one writes.
let shownAt = null;

// Where both do not fit, what was said is read first: a long draft does not hide it.
function beginningOfTheLast() {
    const last = [...document.querySelectorAll('#trail .entry:is(.entry-customer, .entry-us, .entry-note, .entry-partner)')].pop();
    if (!last) {
        return Infinity;
    }
    const head = [...document.querySelectorAll('.topbar, .conversation-head')]
        .filter((one) => getComputedStyle(one).position === 'sticky')
        .reduce((height, one) => height + one.offsetHeight, 0);
    return last.getBoundingClientRect().top + window.scrollY - head - 8;
}

export function showLatest() {
    if (document.getElementById('trail') && !window.location.hash && !document.getElementById('between')) {
        // The foot of the trail's side: on a telephone, the order and the customer come below it.
        const foot = document.getElementById('content').getBoundingClientRect().bottom + window.scrollY;
        window.scrollTo(0, Math.min(foot - window.innerHeight, beginningOfTheLast()));
        shownAt = window.scrollY;
    }
}

// What comes in between the two must not hide it, unless somebody has begun to read elsewhere.
document.addEventListener('htmx:afterSettle', (event) => {
    if (event.target.id === 'suggested' && shownAt !== null && window.scrollY >= shownAt - 4) {
        showLatest();
    }
});
