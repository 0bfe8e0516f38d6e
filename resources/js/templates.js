// Templates in an answer: `;` and a few letters show those that fit, Enter puts one in at the cursor. The same
// for the plain field and for rich text.

import htmx from 'htmx.org';
import { openRichText } from './rich-text.js';
import { askedTemplate, askingSign, gapIn, isOnlyAsking, joinAddresses } from './template-text.js';

const PAUSE = 120;

const field = () => document.querySelector('[data-takes-templates]');
const list = () => document.getElementById('template-found');
const rich = () => document.getElementById('reply-rich')?.editor;
let timer = null;
// Where `;` was dismissed: not asked again before the next one.
let dismissed = null;

function written() {
    const editor = rich();
    return editor
        ? { text: editor.getDocument().toString(), at: editor.getPosition() }
        : { text: field().value, at: field().selectionStart };
}

// The `;` before the cursor with what follows it; null where there is none.
function asked() {
    const { text, at } = written();
    return askedTemplate(text, at);
}

const isShown = () => list() && !list().hidden;

function hide() {
    if (list()) {
        list().hidden = true;
        field().removeAttribute('aria-activedescendant');
    }
}

function mark(option) {
    list().querySelectorAll('[aria-selected=true]').forEach((one) => one.setAttribute('aria-selected', 'false'));
    option?.setAttribute('aria-selected', 'true');
    option?.scrollIntoView({ block: 'nearest' });
    if (option) {
        field().setAttribute('aria-activedescendant', option.id);
    }
}

const options = () => [...list().querySelectorAll('[data-use]')];
const marked = () => list().querySelector('[data-use][aria-selected=true]');

// The letters for which the list stands there; what is typed since is not answered yet.
let shownFor = null;
let asking = null;

async function show() {
    clearTimeout(timer);
    const now = asked();
    if (!now || now.from === dismissed) {
        dismissed = now ? dismissed : null;
        hide();
        return;
    }
    asking?.abort();
    asking = new AbortController();
    try {
        const answer = await fetch(`${field().dataset.takesTemplates}?q=${encodeURIComponent(now.letters)}`, { headers: { 'HX-Request': 'true' }, signal: asking.signal });
        if (!answer.ok) {
            return;
        }
        list().innerHTML = await answer.text();
    } catch {
        // Asked anew since, or the server does not answer: what is written stays.
        return;
    }
    shownFor = now.letters;
    // What looks like the end of a sentence and finds nothing is none of ours.
    list().hidden = asked() === null || (options().length === 0 && now.letters.length > 12);
    mark(options()[0]);
}

// Pressed before the list stands for what was typed: it is waited for, so that nothing else is put in.
async function choose(key) {
    if (shownFor !== asked()?.letters) {
        await show();
    }
    if (marked() && shownFor === asked()?.letters) {
        await use(marked().dataset.use);
    } else if (key === 'Enter' && !rich()) {
        hide();
        field().setRangeText('\n', field().selectionStart, field().selectionEnd, 'end');
        field().dispatchEvent(new Event('input', { bubbles: true }));
    }
}

function insert(used, range) {
    const { text, html } = used.dataset;
    const editor = rich();
    if (editor) {
        editor.setSelectedRange(range ? [range.from, range.to] : editor.getSelectedRange());
        html ? editor.insertHTML(html) : editor.insertString(text);
        document.getElementById('reply-rich').focus();
        return;
    }
    const area = field();
    const [from, to] = range ? [range.from, range.to] : [area.selectionStart, area.selectionEnd];
    area.setRangeText(text, from, to, 'end');
    area.focus();
    area.dispatchEvent(new Event('input', { bubbles: true }));
    const gap = gapIn(text);
    if (gap) {
        area.setSelectionRange(from + gap.from, from + gap.to);
    }
}

function set(id, value) {
    const control = document.getElementById(id);
    if (control && value) {
        control.value = control.matches('input') && control.name !== 'subject' ? joinAddresses(control.value, value) : value;
        control.closest('details')?.setAttribute('open', '');
    }
}

async function use(address) {
    const range = asked();
    hide();
    // Not from the field: while its draft is being kept, this would have to wait, and be forgotten for the next draft.
    await htmx.ajax('POST', address, { source: '#template-place', target: '#template-place', swap: 'innerHTML' });
    const used = document.getElementById('template-used');
    if (!used) {
        return;
    }
    const button = document.querySelector('[data-rich-text]');
    if (used.dataset.html && button && !rich() && isOnlyAsking(field().value)) {
        field().value = '';
        await openRichText(button);
        insert(used, null);
    } else {
        insert(used, range);
    }
    set('reply-then', used.dataset.then);
    set('reply-outcome', used.dataset.outcome);
    set('reply-cc', used.dataset.cc);
    set('reply-bcc', used.dataset.bcc);
    set('reply-subject', used.dataset.subject);
}

function move(step) {
    const all = options();
    mark(all[(all.indexOf(marked()) + step + all.length) % all.length]);
}

export function listenToTemplates() {
    if (!field()) {
        return;
    }
    const isOurs = (event) => event.target === field() || event.target.id === 'reply-rich';
    const later = (event) => {
        if (isOurs(event)) {
            clearTimeout(timer);
            timer = setTimeout(show, PAUSE);
        }
    };
    document.addEventListener('input', later);
    document.addEventListener('trix-change', later);
    document.addEventListener('keydown', (event) => {
        if (!isOurs(event) || !isShown() || event.ctrlKey || event.metaKey || event.altKey) {
            return;
        }
        const doing = { ArrowDown: () => move(1), ArrowUp: () => move(-1), Escape: () => { dismissed = asked()?.from ?? null; hide(); } }[event.key]
            ?? (['Enter', 'Tab'].includes(event.key) && (marked() || shownFor !== asked()?.letters) ? () => choose(event.key) : null);
        if (doing) {
            event.preventDefault();
            event.stopPropagation();
            doing();
        }
    }, true);
    document.addEventListener('mousedown', (event) => {
        if (event.target.closest('#template-found')) {
            event.preventDefault();
        }
    });
    document.addEventListener('click', (event) => {
        const chosen = event.target.closest('[data-use]');
        if (chosen) {
            use(chosen.dataset.use);
        } else if (event.target.closest('[data-templates]')) {
            const { text, at } = written();
            const sign = askingSign(text, at);
            if (rich()) {
                rich().insertString(sign);
                document.getElementById('reply-rich').focus();
            } else {
                field().setRangeText(sign, at, at, 'end');
                field().focus();
                show();
            }
        } else if (!event.target.closest('#template-found')) {
            hide();
        }
    });
}
