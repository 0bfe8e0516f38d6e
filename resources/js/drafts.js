// What is written is kept a moment after one pauses. When the page is left within that moment, it is kept all
// the same: a request of htmx would be given up with the page, a beacon is not. Until the server has said that
// it has it, it stands in this tab of the browser, too, and is brought in when the conversation is opened again.

const isDraft = (element) => element.matches?.('textarea[hx-post*="/drafts/"]');
const address = (area) => area.getAttribute('hx-post');
const place = (area) => `draft of ${document.body.dataset.person} at ${address(area)}`;
const unkept = new Set();

function written(area) {
    const { once, html } = area.form.elements;
    return { once: once.value, text: area.value, ...(html ? { html: html.value } : {}) };
}

const toSend = (area, draft) => new URLSearchParams({ _token: area.form.elements._token.value, ...draft });

// Where the browser lets nothing be stored, the page has it still.
function remember(area) {
    try {
        sessionStorage.setItem(place(area), JSON.stringify(written(area)));
    } catch { /* full, or not allowed */ }
}

const forget = (area) => sessionStorage.removeItem(place(area));

async function bringIn(area) {
    const draft = JSON.parse(sessionStorage.getItem(place(area)) ?? 'null');
    if (draft === null) {
        return;
    }
    if (draft.text === area.value) {
        forget(area);
        return;
    }
    const answer = await fetch(address(area), { method: 'POST', body: toSend(area, draft) }).catch(() => null);
    if (!answer?.ok) {
        return;
    }
    // It says when it was kept, or nothing where it had been sent meanwhile: then it is no draft any more.
    const kept = await answer.text();
    forget(area);
    if (kept === '') {
        return;
    }
    if (draft.html) {
        // Rich text is put together by the server.
        location.reload();
        return;
    }
    area.value = draft.text;
    document.querySelector(area.getAttribute('hx-target')).textContent = kept;
}

export function listenToDrafts() {
    document.addEventListener('input', (event) => {
        if (isDraft(event.target)) {
            unkept.add(event.target);
            remember(event.target);
        }
    });
    document.addEventListener('htmx:afterRequest', (event) => {
        const area = event.target;
        // What was written while the request was on its way is not kept yet.
        if (isDraft(area) && event.detail.successful && event.detail.requestConfig.parameters.text === area.value) {
            unkept.delete(area);
            forget(area);
        }
    });
    window.addEventListener('pagehide', () => {
        // What is being sent is no draft any more.
        [...unkept].filter((area) => area.isConnected && area.form.dataset.onItsWay === undefined)
            .forEach((area) => navigator.sendBeacon(address(area), toSend(area, written(area))));
        unkept.clear();
    });
    document.querySelectorAll('textarea[hx-post*="/drafts/"]').forEach(bringIn);
}
