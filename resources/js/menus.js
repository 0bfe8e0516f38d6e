// Menus are plain <details>: they open without any script. This closes them again.

const openMenus = () => document.querySelectorAll('details.menu[open]');

export function listenToMenus() {
    document.addEventListener('click', (event) => {
        for (const menu of openMenus()) {
            if (!menu.contains(event.target)) {
                menu.open = false;
            }
        }
    });
    document.addEventListener('keydown', (event) => {
        const menu = event.target.closest?.('details.menu[open]');
        if (!menu) {
            return;
        }
        if (event.key === 'Escape') {
            menu.open = false;
            menu.querySelector('summary').focus();
        }
        if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            const choices = [...menu.querySelectorAll('.menu-panel :is(button, a):not(:disabled)')];
            const at = choices.indexOf(document.activeElement) + (event.key === 'ArrowDown' ? 1 : -1);
            choices[(at + choices.length) % choices.length]?.focus();
            event.preventDefault();
        }
    });
}
