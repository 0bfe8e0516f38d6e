// The box “go to or do”: pages, orders, people and conversations from the server, and what the keys of
// this page do. Arrows choose, Enter goes.

import { focusInto } from './menus.js';

const dialog = () => document.getElementById('go-to');

// What can be done here is what carries a key, with the words that it is described by.
function doneHere(written) {
    const wanted = written.toLowerCase();
    return [...document.querySelectorAll('#keys .keys div')].flatMap((row) => {
        const key = row.querySelector('kbd')?.textContent;
        const label = row.querySelector('dd').textContent;
        const control = key?.length === 1 ? document.querySelector(`[data-key="${CSS.escape(key)}"]`) : null;
        return control && label.toLowerCase().includes(wanted) ? [{ label, control, key }] : [];
    });
}

function addDone(list, written) {
    for (const { label, control, key } of doneHere(written).reverse()) {
        const item = document.createElement('li');
        const button = document.createElement('button');
        const [text, hint] = [document.createElement('span'), document.createElement('small')];
        text.textContent = label;
        hint.textContent = `do, key ${key}`;
        button.type = 'button';
        button.append(text, hint);
        button.addEventListener('click', () => {
            dialog().close();
            control.click();
            const menu = control.closest('details.menu[open]');
            menu && focusInto(menu);
        });
        item.append(button);
        list.prepend(item);
    }
}

export function openGoTo() {
    const box = dialog();
    if (!box) {
        return false;
    }
    box.showModal();
    const input = box.querySelector('input');
    input.value = '';
    input.focus();
    input.dispatchEvent(new Event('input', { bubbles: true }));
    return true;
}

export function listenToGoTo() {
    document.addEventListener('htmx:afterSwap', (event) => {
        if (event.target.id === 'go-to-found') {
            addDone(event.target, dialog().querySelector('input').value);
        }
    });
    document.addEventListener('click', (event) => {
        if (event.target.closest('[data-opens-go-to]')) {
            event.target.closest('details.menu')?.removeAttribute('open');
            openGoTo();
        }
    });
    dialog()?.addEventListener('keydown', (event) => {
        const choices = [...dialog().querySelectorAll('#go-to-found :is(a, button)')];
        const at = choices.indexOf(document.activeElement);
        if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            const next = event.key === 'ArrowDown' ? at + 1 : at - 1;
            (next < 0 ? dialog().querySelector('input') : choices[Math.min(next, choices.length - 1)])?.focus();
            event.preventDefault();
        } else if (event.key === 'Enter' && at === -1) {
            choices[0]?.click();
            event.preventDefault();
        }
    });
}
