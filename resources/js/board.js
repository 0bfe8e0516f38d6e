// A board's cards are moved with the mouse or by keys. Either presses the button in the card's own menu.

import Sortable from 'sortablejs';

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

function makeSortable() {
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

function step(link, across, along) {
    const columns = [...board().querySelectorAll('.cards')];
    const at = columns.indexOf(link.closest('.cards'));
    if (across === 0) {
        const cards = [...columns[at].querySelectorAll('.card-link')];
        cards[cards.indexOf(link) + along]?.focus();
        return;
    }
    const place = [...columns[at].querySelectorAll('.card-link')].indexOf(link);
    for (let next = at + across; columns[next]; next += across) {
        const cards = columns[next].querySelectorAll('.card-link');
        if (cards.length > 0) {
            cards[Math.min(place, cards.length - 1)].focus();
            return;
        }
    }
}

const ARROWS = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

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
            step(link, ...ARROWS[event.key]);
            event.preventDefault();
        } else if (event.key === 'm' && link) {
            ask(cardOf(link));
            event.preventDefault();
        }
    });
}
