// Placeholders in a template's text: `{{` and a few letters show those that fit; a click on one in the list beside
// puts it in at the cursor.

import { askedPlaceholder, fittingPlaceholders, putPlaceholder } from './placeholder-text.js';

let field = null;
let list = null;

const known = () => [...document.querySelectorAll('[data-placeholder]')];

const asked = () => field && askedPlaceholder(field.value, field.selectionStart);

function hide() {
    list?.remove();
    list = null;
    field?.removeAttribute('aria-activedescendant');
}

function put(name, from) {
    const written = putPlaceholder(field.value, from, field.selectionEnd, name);
    field.setRangeText(written.text, written.from, written.to, 'end');
    field.focus();
    field.dispatchEvent(new Event('input', { bubbles: true }));
    hide();
}

function mark(option) {
    list.querySelectorAll('[aria-selected=true]').forEach((one) => one.setAttribute('aria-selected', 'false'));
    option.setAttribute('aria-selected', 'true');
    field.setAttribute('aria-activedescendant', option.id);
}

function show() {
    const now = asked();
    hide();
    const names = now ? fittingPlaceholders(known().map((one) => one.dataset.placeholder), now.letters) : [];
    const fitting = names.map((name) => known().find((one) => one.dataset.placeholder === name));
    if (fitting.length === 0) {
        return;
    }
    list = document.createElement('ul');
    list.className = 'template-found placeholder-found';
    list.setAttribute('role', 'listbox');
    list.setAttribute('aria-label', 'Placeholders');
    fitting.forEach((one, index) => {
        const option = document.createElement('li');
        option.id = `placeholder-${index}`;
        option.setAttribute('role', 'option');
        option.dataset.name = one.dataset.placeholder;
        option.innerHTML = one.innerHTML;
        list.append(option);
    });
    field.after(list);
    mark(list.firstElementChild);
}

export function listenToPlaceholders() {
    const isOurs = (event) => event.target.matches?.('[data-takes-placeholders]');
    document.addEventListener('focusin', (event) => {
        if (isOurs(event)) {
            field = event.target;
            document.getElementById('template-shown').value = field.dataset.index;
        }
    });
    document.addEventListener('focusout', (event) => isOurs(event) && hide());
    document.addEventListener('input', (event) => isOurs(event) && show());
    document.addEventListener('keydown', (event) => {
        if (!list || !isOurs(event) || event.ctrlKey || event.metaKey || event.altKey) {
            return;
        }
        const all = [...list.children];
        const at = all.findIndex((one) => one.getAttribute('aria-selected') === 'true');
        const doing = {
            ArrowDown: () => mark(all[(at + 1) % all.length]),
            ArrowUp: () => mark(all[(at - 1 + all.length) % all.length]),
            Escape: hide,
            Enter: () => put(all[at].dataset.name, asked().from),
            Tab: () => put(all[at].dataset.name, asked().from),
        }[event.key];
        if (doing) {
            event.preventDefault();
            event.stopPropagation();
            doing();
        }
    }, true);
    document.addEventListener('mousedown', (event) => {
        const option = event.target.closest('.placeholder-found [data-name]');
        if (option) {
            event.preventDefault();
            put(option.dataset.name, asked().from);
        }
        if (event.target.closest('[data-placeholder]')) {
            event.preventDefault();
        }
    });
    document.addEventListener('click', (event) => {
        const chosen = event.target.closest('[data-placeholder]');
        if (chosen) {
            field ??= document.querySelector('[data-takes-placeholders]');
            field.focus();
            put(chosen.dataset.placeholder, asked()?.from ?? field.selectionStart);
        }
    });
}
