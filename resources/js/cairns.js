// Stones fall while one looks: the server says when, so that nothing has to be asked.
import { inWords, stonesLeft, timeLeft } from './cairn-times.js';

const EVERY = 1000;
const SOON = 3600;

function redraw(cairn, now) {
    const due = Number(cairn.dataset.due);
    const stones = stonesLeft(cairn.dataset.falls === '' ? [] : cairn.dataset.falls.split(',').map(Number), due, now);
    cairn.querySelectorAll('ellipse').forEach((stone, index) => stone.setAttribute('class', index < stones ? 'stone' : 'fallen'));
    const state = stones === 0 ? 'missed' : stones === 1 || due - now <= SOON ? 'soon' : 'good';
    for (const one of ['missed', 'soon', 'good']) {
        cairn.classList.toggle(`cairn-${one}`, one === state);
    }
    const words = inWords(cairn.dataset.kind, stones, due, now);
    if (cairn.getAttribute('aria-label') !== words) {
        cairn.setAttribute('aria-label', words);
    }
}

function redrawAll() {
    const now = Math.floor(Date.now() / 1000);
    document.querySelectorAll('.cairn[data-due]').forEach((cairn) => redraw(cairn, now));
    document.querySelectorAll('[data-time-left]').forEach((text) => {
        const left = timeLeft(Number(text.dataset.timeLeft), now);
        if (text.textContent !== left) {
            text.textContent = left;
        }
    });
}

export function listenToCairns() {
    setInterval(redrawAll, EVERY);
}
