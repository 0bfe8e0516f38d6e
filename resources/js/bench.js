// The returns bench by keyboard: 1 to 6 say how the next unit was found, Enter ends it. What the keys press is there to be clicked.

const units = () => [...document.querySelectorAll('[data-bench] [data-unit]')];
const isGraded = (unit) => unit.querySelector('input[type=radio]:checked') !== null;

function current() {
    const all = units();
    return all.find((unit) => !isGraded(unit)) ?? all.at(-1);
}

function mark() {
    const now = current();
    const isOpen = now !== undefined && units().length > 1 && !isGraded(now);
    units().forEach((unit) => unit.classList.toggle('unit-now', isOpen && unit === now));
}

function grade(key) {
    const radio = current()?.querySelectorAll('input[type=radio]')[Number(key) - 1];
    if (!radio) {
        return false;
    }
    radio.checked = true;
    radio.dispatchEvent(new Event('change', { bubbles: true }));
    radio.closest('[data-unit]').scrollIntoView({ block: 'nearest' });
    return true;
}

// Said before it is on its way: a photo of 60 MB takes minutes to be refused.
function tooLarge({ files, dataset }) {
    const largest = Number(dataset.largest);
    const file = [...files].find(({ size }) => size > largest);
    const megabytes = (bytes) => Math.round(bytes / 1024 / 1024);
    return file === undefined ? '' : `“${file.name}” has ${megabytes(file.size)} MB: a photo has ${megabytes(largest)} MB at most.`;
}

const isElsewhere = (target) => target.closest?.('a, button, input:not([type=radio]), textarea, select, details.menu[open]');

export function listenToBench() {
    mark();
    document.addEventListener('change', (event) => {
        if (event.target.matches?.('[data-bench] input[type=radio]')) {
            // What can be sold again as it is goes back to stock, unless somebody says otherwise.
            const stock = event.target.closest('[data-unit]').querySelector('.bench-stock input');
            stock.checked = event.target.dataset.stocks === '1';
            mark();
        }
        if (event.target.matches?.('input[type=file][data-sends]') && event.target.files.length > 0) {
            event.target.setCustomValidity(tooLarge(event.target));
            event.target.form.requestSubmit();
        }
    });
    // Before the single keys of all pages.
    document.addEventListener('keydown', (event) => {
        const form = document.querySelector('[data-bench]');
        if (!form || event.altKey || event.ctrlKey || event.metaKey || document.querySelector('dialog[open]') || isElsewhere(event.target)) {
            return;
        }
        if (/^[1-6]$/.test(event.key) && document.body.dataset.singleKeys !== 'off' && grade(event.key)) {
            event.preventDefault();
        } else if (event.key === 'Enter') {
            event.preventDefault();
            form.requestSubmit();
        }
    }, true);
}
