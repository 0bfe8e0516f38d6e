// Dialogs that are opened by a link: without script, or in a new tab, the link leads to a page of its own.

function open(link) {
    const dialog = document.getElementById(link.dataset.opens);
    const place = dialog.querySelector('[id$="-place"]');
    dialog.showModal();
    if (place && !place.querySelector('form')) {
        // What was written last time is done: a new form, with a new key.
        window.htmx.ajax('GET', link.href, { target: place, swap: 'innerHTML' }).then(() => focusFirst(dialog));
    } else {
        focusFirst(dialog);
    }
}

const focusFirst = (dialog) => dialog.querySelector('input:not([type=hidden]), textarea')?.focus();

export function listenToDialogs() {
    document.addEventListener('click', (event) => {
        const link = event.target.closest('a[data-opens]');
        if (link && !event.ctrlKey && !event.metaKey && !event.shiftKey && document.getElementById(link.dataset.opens)) {
            event.preventDefault();
            open(link);
        }
        if (event.target.closest('[data-close-dialog]')) {
            event.target.closest('dialog')?.close();
        }
    });
    document.addEventListener('htmx:afterSwap', (event) => {
        event.target.querySelector?.('[data-close-dialog][autofocus]')?.focus();
    });
}
