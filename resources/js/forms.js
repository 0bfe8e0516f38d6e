// Small conveniences of forms; each form works without them.

export function listenToForms() {
    document.addEventListener('keydown', (event) => {
        if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && event.target.matches('[data-send-with-ctrl-enter], trix-editor')) {
            event.preventDefault();
            const form = event.target.closest('form');
            // With Shift, and then the next one.
            form.requestSubmit(event.shiftKey ? form.querySelector('[name=then_next]') : null);
        }
    });
    document.addEventListener('change', (event) => {
        if (event.target.matches('[data-submit]')) {
            event.target.form.requestSubmit();
        }
    });
    // What can be done for a few seconds only is offered for as long.
    document.querySelectorAll('[data-gone-after]').forEach((passing) => {
        setTimeout(() => passing.remove(), Number(passing.dataset.goneAfter) * 1000);
    });
    // A second click while a form is on its way does nothing; the server would do it once all the same.
    document.addEventListener('submit', (event) => {
        if (event.target.method !== 'post') {
            return;
        }
        if (event.target.dataset.onItsWay) {
            event.preventDefault();
        }
        event.target.dataset.onItsWay = 'yes';
    });
    window.addEventListener('pageshow', () => {
        document.querySelectorAll('form[data-on-its-way]').forEach((form) => { delete form.dataset.onItsWay; });
    });
    // What was uploaded to the draft must not be sent with the form once more.
    document.addEventListener('htmx:afterRequest', (event) => {
        if (event.target.matches?.('[data-clear-after-upload]')) {
            event.target.value = '';
        }
    });
}
