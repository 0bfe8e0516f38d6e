// A board's cards are moved with the mouse or by keys. Either presses the button in the card's own menu.

import { ARROWS, stepOnBoard } from './board-steps.js';

const board = () => document.getElementById('board');
const cardOf = (element) => element?.closest('.card');

const dialog = () => document.getElementById('move');

// The dialog with all places to go to, for this card; one alone where that needs a reason or an outcome first.
function ask(card, column = null) {
    dialog().querySelectorAll('form[data-move-to]').forEach((form) => {
        form.querySelector('[name=conversation]').value = card.dataset.card;
        form.hidden = (column !== null && form.dataset.moveTo !== column) || form.dataset.moveTo === card.closest('.cards').dataset.column;
    });
    dialog().showModal();
    dialog().querySelector('form:not([hidden]) :is(input:not([type=hidden]), select, button)')?.focus();
}

function move(card, column) {
    const form = dialog().querySelector(`form[data-move-to="${CSS.escape(column)}"]`);
    if (!form) {
        return;
    }
    if (form.querySelector('input:not([type=hidden]), select')) {
        ask(card, column);
        dialog().querySelector(`form[data-move-to="${CSS.escape(column)}"]`).hidden = false;
        form.querySelector('input:not([type=hidden]), select').focus();
    } else {
        form.querySelector('[name=conversation]').value = card.dataset.card;
        form.requestSubmit();
    }
}

async function makeSortable() {
    if (!board()) {
        return;
    }
    // Only who sees a board needs it.
    const { default: Sortable } = await import('sortablejs');
    board()?.querySelectorAll('.cards').forEach((cards) => Sortable.get(cards) ?? Sortable.create(cards, {
        group: 'board',
        sort: false,
        draggable: '.card',
        filter: 'a',
        preventOnFilter: false,
        onEnd: ({ item, from, to }) => {
            if (from !== to) {
                move(item, to.dataset.column);
            }
        },
    }));
}

function step(link, by) {
    const columns = [...board().querySelectorAll('.cards')].map((cards) => [...cards.querySelectorAll('.card-link')]);
    const column = columns.findIndex((cards) => cards.includes(link));
    const next = stepOnBoard(columns.map((cards) => cards.length), [column, columns[column].indexOf(link)], by);
    next && columns[next[0]][next[1]].focus();
}

export function listenToBoard() {
    makeSortable();
    document.addEventListener('htmx:afterSwap', makeSortable);
    document.addEventListener('click', (event) => {
        const link = event.target.closest('[data-move]');
        if (link && board()) {
            event.preventDefault();
            ask(cardOf(link));
        }
    });
    // A card that was dragged and not moved after all goes back.
    dialog()?.addEventListener('close', () => window.htmx.trigger('#board', 'redraw'));
    document.addEventListener('keydown', (event) => {
        if (!board() || document.querySelector('dialog[open]')) {
            return;
        }
        const link = event.target.closest('.card-link');
        if (event.key in ARROWS && !link) {
            board().querySelector('.card-link')?.focus();
            event.preventDefault();
        } else if (event.key in ARROWS && event.shiftKey && ARROWS[event.key][0] !== 0) {
            const columns = [...board().querySelectorAll('.cards')];
            const target = columns[columns.indexOf(link.closest('.cards')) + ARROWS[event.key][0]];
            if (target) {
                move(cardOf(link), target.dataset.column);
            }
            event.preventDefault();
        } else if (event.key in ARROWS) {
            step(link, ARROWS[event.key]);
            event.preventDefault();
        } else if (event.key === 'm' && link) {
            ask(cardOf(link));
            event.preventDefault();
        }
    });
}
