// What is written is kept a moment after one pauses. When the page is left within that moment, it is kept all
// the same: a request of htmx would be given up with the page, a beacon is not.

const isDraft = (element) => element.matches?.('textarea[hx-post*="/drafts/"]');
const unkept = new Set();

function keep(area) {
    const written = { _token: area.form.elements._token.value, once: area.form.elements.once.value, text: area.value };
    const html = area.form.elements.html;
    navigator.sendBeacon(area.getAttribute('hx-post'), new URLSearchParams(html ? { ...written, html: html.value } : written));
}

export function listenToDrafts() {
    document.addEventListener('input', (event) => {
        if (isDraft(event.target)) {
            unkept.add(event.target);
        }
    });
    document.addEventListener('htmx:afterRequest', (event) => {
        const area = event.target;
        // What was written while the request was on its way is not kept yet.
        if (isDraft(area) && event.detail.successful && event.detail.requestConfig.parameters.text === area.value) {
            unkept.delete(area);
        }
    });
    window.addEventListener('pagehide', () => {
        // What is being sent is no draft any more.
        [...unkept].filter((area) => area.isConnected && area.form.dataset.onItsWay === undefined).forEach(keep);
        unkept.clear();
    });
}
