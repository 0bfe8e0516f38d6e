// Choosing rows of a list, to change them all at once.

const boxes = () => [...document.querySelectorAll('input[data-pick]')];

function showCount() {
    const bar = document.getElementById('bulk-form');
    if (bar) {
        const count = boxes().filter((box) => box.checked).length;
        bar.classList.toggle('is-shown', count > 0);
        bar.querySelector('[data-pick-count]').textContent = `${count} chosen`;
    }
}

export function pickRow() {
    const box = document.activeElement?.closest('tr')?.querySelector('input[data-pick]');
    if (!box) {
        return false;
    }
    box.checked = !box.checked;
    showCount();
    return true;
}

export function pickAll() {
    const all = boxes();
    const isAll = all.every((box) => box.checked);
    all.forEach((box) => { box.checked = !isAll; });
    showCount();
    return all.length > 0;
}

export function listenToPicking() {
    let last = null;
    document.addEventListener('click', (event) => {
        const box = event.target.closest('input[data-pick]');
        if (!box) {
            return;
        }
        // With Shift, all between this and the last one.
        const all = boxes();
        if (event.shiftKey && last && all.includes(last)) {
            const [from, to] = [all.indexOf(last), all.indexOf(box)].sort((a, b) => a - b);
            all.slice(from, to + 1).forEach((one) => { one.checked = box.checked; });
        }
        last = box;
        showCount();
    });
    document.addEventListener('htmx:afterSwap', showCount);
    showCount();
}
