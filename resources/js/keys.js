// Single keys for the daily work. A key presses the control that carries it as data-key, so that
// whatever can be done by key can be seen and clicked, too.

import { unfold } from './compose.js';
import { openGoTo } from './go-to.js';
import { focusInto } from './menus.js';
import { pickAll, pickRow } from './picking.js';

const isWriting = (element) => element.matches('input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]');

const rows = () => [...document.querySelectorAll('.row-link')];

function moveRow(step) {
    const all = rows();
    const at = all.indexOf(document.activeElement);
    const next = all[at === -1 ? (step > 0 ? 0 : all.length - 1) : Math.min(Math.max(at + step, 0), all.length - 1)];
    next?.focus();
    next?.closest('tr, li').scrollIntoView({ block: 'nearest' });
    return next !== undefined;
}

function write(kind) {
    const tab = document.getElementById(`compose-${kind}`);
    if (!tab || tab.disabled) {
        return false;
    }
    tab.checked = true;
    unfold();
    (kind === 'reply' && document.getElementById('reply-rich') || document.getElementById(`${kind}-text`)).focus();
    return true;
}

function press(key) {
    const control = [...document.querySelectorAll(`[data-key="${CSS.escape(key)}"]`)].find((found) => !found.disabled);
    if (!control) {
        return false;
    }
    control.matches('select, input') ? control.focus() : control.click();
    const menu = control.closest('details.menu[open]');
    menu && focusInto(menu);
    return true;
}

// The field to find by on this page, else the one for everything, else the page that has it.
function find() {
    const field = document.querySelector('[data-find]') ?? document.getElementById('search-field');
    field?.offsetParent ? (field.focus(), field.select()) : window.location.assign('/search');
    return true;
}

const actions = {
    ArrowDown: () => moveRow(1),
    ArrowUp: () => moveRow(-1),
    r: () => write('reply'),
    i: () => write('note'),
    s: () => write('partner'),
    w: () => document.querySelector('.why') !== null && (document.body.classList.toggle('shows-why'), true),
    x: () => pickRow(),
    X: () => pickAll(),
    g: () => openGoTo(),
    '/': () => find(),
    q: () => { window.location.assign('/queue'); return true; },
    '?': () => { document.getElementById('keys')?.showModal(); return true; },
};

export function listenToKeys() {
    document.addEventListener('keydown', (event) => {
        if (event.defaultPrevented || event.altKey || document.querySelector('dialog[open]')) {
            return;
        }
        // A telephone rings while one writes: this one works in a field, too.
        if (event.key === 'F2' && press('c')) {
            event.preventDefault();
            return;
        }
        if (isWriting(event.target)) {
            if (event.key === 'Escape') {
                event.target.blur();
            } else if (event.key === 'ArrowDown' && event.target.matches('[data-first-row]') && moveRow(1)) {
                event.preventDefault();
            }
            return;
        }
        const isSingle = event.key.length === 1;
        if (event.ctrlKey || event.metaKey || (isSingle && document.body.dataset.singleKeys === 'off' && event.key !== '?')) {
            return;
        }
        // In a menu, letters find its choices.
        if (event.target.closest('details.menu[open]')) {
            return;
        }
        if (actions[event.key]?.() ?? press(event.key.toLowerCase())) {
            event.preventDefault();
        }
    });
    document.addEventListener('click', (event) => {
        if (event.target.closest('[data-show-keys]')) {
            event.target.closest('details.menu')?.removeAttribute('open');
            document.getElementById('keys')?.showModal();
        }
    });
}
