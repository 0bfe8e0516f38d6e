// Placeholders in a template's text: `{{` and a few letters show those that fit; a click on one in the list beside
// puts it in at the cursor.

const ASKED = /\{\{\s*(?:if\s+(?:not\s+)?|else\s+if\s+)?([\w.]*)$/u;
const MOST = 7;

let field = null;
let list = null;

const known = () => [...document.querySelectorAll('[data-placeholder]')];

function asked() {
    const found = field?.value.slice(0, field.selectionStart).match(ASKED);
    return found ? { letters: found[1].toLowerCase(), from: field.selectionStart - found[1].length } : null;
}

function hide() {
    list?.remove();
    list = null;
    field?.removeAttribute('aria-activedescendant');
}

function put(name, from) {
    const after = field.value.slice(field.selectionEnd);
    const isInside = field.value.slice(0, from).match(/\{\{[^{}]*$/u);
    const text = isInside ? `${name}${/^\s*\}\}/u.test(after) ? '' : ' }}'}` : `{{ ${name} }}`;
    const begins = isInside && field.value[from - 1] === '{' ? ` ${text}` : text;
    field.setRangeText(begins, from, field.selectionEnd, 'end');
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
    const fitting = now ? known().filter((one) => one.dataset.placeholder.includes(now.letters) && one.dataset.placeholder !== now.letters).slice(0, MOST) : [];
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
