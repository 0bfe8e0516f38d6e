import './htmx-global.js';
import { Idiomorph } from 'idiomorph/htmx';

// A menu or fold that is open stays open when the part around it is shown anew.
Idiomorph.defaults.callbacks.beforeAttributeUpdated = (name, element) => !(name === 'open' && element.tagName === 'DETAILS');

// What was chosen or ticked stays so when the list around it is shown anew.
Idiomorph.defaults.callbacks.beforeNodeMorphed = (before, after) => {
    if (before.matches?.('input[data-pick]')) {
        after.checked = before.checked;
    }
};

// Pages that nobody looks at do not ask for news, nor does one in whose menu somebody writes or chooses:
// showing a part anew could take the focus away, and what is typed would be read as keys.
const asksForNews = (event) => event.detail.pathInfo.requestPath.includes('/changes?');
const isInMenu = () => document.querySelector('details.menu[open]') !== null;

// Between pressing a button of the mouse and letting go, what is pressed stays where it is: a row that had moved
// meanwhile would not be clicked.
let isPressed = false;
document.addEventListener('pointerdown', () => { isPressed = true; }, true);
for (const released of ['pointerup', 'pointercancel', 'dragend']) {
    document.addEventListener(released, () => { setTimeout(() => { isPressed = false; }); }, true);
}

document.addEventListener('htmx:beforeRequest', (event) => {
    if (asksForNews(event) && (document.visibilityState === 'hidden' || isInMenu())) {
        event.preventDefault();
    }
});

// The same for news that was on its way when the menu was opened, or comes while something is pressed: it is asked for
// again.
document.addEventListener('htmx:beforeSwap', (event) => {
    if (asksForNews(event) && (isInMenu() || isPressed)) {
        event.detail.shouldSwap = false;
    }
});

// What could not be kept says so where it would have said that it was.
const UNKEPT = {
    'reply-kept': 'not kept: the server does not answer. What you wrote is still here.',
    'partner-kept': 'not kept: the server does not answer. What you wrote is still here.',
    'note-kept': 'not kept: the server does not answer. What you wrote is still here.',
    'draft-files': 'Not attached: the file is larger than the server takes, or the server does not answer. Try a smaller one, or again.',
};

function sayUnkept(event) {
    const { target } = event.detail;
    if (target?.id in UNKEPT) {
        const problem = document.createElement(target.id === 'draft-files' ? 'p' : 'span');
        problem.className = 'field-problem';
        problem.textContent = UNKEPT[target.id];
        target.querySelector('.field-problem')?.remove();
        target.id === 'draft-files' ? target.prepend(problem) : target.replaceChildren(problem);
    }
}

document.addEventListener('htmx:sendError', sayUnkept);
document.addEventListener('htmx:responseError', sayUnkept);

// Signed out elsewhere, the page was open too long, or what it shows is not for whoever looks any more: the page says so when it is
// loaded anew.
document.addEventListener('htmx:responseError', (event) => {
    if ([401, 419].includes(event.detail.xhr.status) || (asksForNews(event) && event.detail.xhr.status === 404)) {
        window.location.reload();
    }
});
