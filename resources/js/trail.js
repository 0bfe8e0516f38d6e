// A conversation opens at what was said last, just above where one writes.
export function showLatest() {
    if (document.getElementById('trail') && !window.location.hash && !document.getElementById('between')) {
        window.scrollTo(0, document.documentElement.scrollHeight);
    }
}
