// Menus are plain <details>: they open without any script. This puts the focus into what was opened, finds
// choices by the letters they begin with, and closes menus again.

import { findByLetters } from './letters.js';

const PAUSE = 900;

const openMenus = () => document.querySelectorAll('details.menu[open]');
const choicesOf = (menu) => [...menu.querySelectorAll('.menu-panel :is(button, a):not(:disabled, [aria-hidden])')].filter((choice) => choice.offsetParent !== null);
const takesText = (element) => element.matches('input:not([type=radio]):not([type=checkbox]), textarea, select');

export function focusInto(menu) {
    menu.querySelector('.menu-panel :is(input:not([type=hidden]), select, textarea, button, a):not(:disabled, [aria-hidden])')?.focus();
}

function close(menu) {
    const had = menu.contains(document.activeElement);
    menu.open = false;
    if (had) {
        menu.querySelector('summary').focus();
    }
}

let typed = '';
let typedAt = 0;

function find(menu, letter) {
    const now = Date.now();
    typed = now - typedAt > PAUSE ? letter : typed + letter;
    typedAt = now;
    const choices = choicesOf(menu);
    const at = findByLetters(choices.map((choice) => choice.textContent), typed, choices.indexOf(document.activeElement));
    choices[at]?.focus();
}

export function listenToMenus() {
    document.addEventListener('click', (event) => {
        for (const menu of openMenus()) {
            if (!menu.contains(event.target)) {
                menu.open = false;
            }
        }
    });
    // Opened by mouse, by Enter or by a key: from there on one works in it.
    document.addEventListener('toggle', (event) => {
        const menu = event.target;
        if (menu.matches?.('details.menu[open]') && !menu.querySelector('.menu-panel')?.contains(document.activeElement)) {
            openMenus().forEach((other) => { other.open = other === menu || other.contains(menu); });
            focusInto(menu);
        }
    }, true);
    document.addEventListener('keydown', (event) => {
        const menu = event.target.closest?.('details.menu[open]');
        if (!menu || event.defaultPrevented) {
            return;
        }
        if (event.key === 'Escape') {
            close(menu);
            event.preventDefault();
        } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            const choices = choicesOf(menu);
            const at = choices.indexOf(document.activeElement) + (event.key === 'ArrowDown' ? 1 : -1);
            choices[(at + choices.length) % choices.length]?.focus();
            event.preventDefault();
        } else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey && !takesText(event.target)) {
            const goesOn = typed !== '' && Date.now() - typedAt <= PAUSE;
            if (event.key !== ' ' || goesOn) {
                find(menu, event.key);
                event.preventDefault();
            }
        }
    });
}
