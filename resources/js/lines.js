// The lines of a rule or a view's conditions: one that was added has the focus; where one was taken away, the one
// before it has.

const LINES = '.condition-line, .condition-group, .action-line';

const lines = () => [...document.querySelectorAll(LINES)].filter((line) => line.id !== '');

let known = null;

export function listenToLines() {
    document.addEventListener('htmx:beforeRequest', (event) => {
        known = event.target.matches?.('button[name=do]') ? new Set(lines().map((line) => line.id)) : null;
    });
    document.addEventListener('htmx:afterSettle', () => {
        if (known === null) {
            return;
        }
        const now = lines();
        const added = now.find((line) => !known.has(line.id));
        known = null;
        const line = added ?? (document.activeElement === document.body ? now.at(-1) : null);
        line?.querySelector('select, input:not([type=hidden])')?.focus();
    });
}
