// The composer is one line until somebody writes; it unfolds where the focus comes into it, and folds again with
// Escape, where nothing was written.

const compose = () => document.getElementById('compose');

export function unfold() {
    const composer = compose();
    if (composer?.hasAttribute('data-folded')) {
        composer.removeAttribute('data-folded');
        composer.dispatchEvent(new CustomEvent('unfold', { bubbles: true }));
    }
}

function isEmpty(composer) {
    return [...composer.querySelectorAll('textarea')].every((area) => area.value.trim() === '')
        && composer.querySelector('#draft-files li') === null
        && composer.querySelector('trix-editor') === null;
}

export function listenToCompose() {
    document.addEventListener('focusin', (event) => {
        if (compose()?.contains(event.target)) {
            unfold();
        }
    });
    document.addEventListener('change', (event) => {
        if (event.target.matches('input[name=compose]')) {
            unfold();
            document.getElementById(event.target.id.replace('compose-', '') + '-text')?.focus();
        }
    });
    document.addEventListener('keydown', (event) => {
        const composer = compose();
        if (event.key === 'Escape' && !event.defaultPrevented && composer?.contains(event.target) && isEmpty(composer)) {
            event.target.blur();
            composer.setAttribute('data-folded', '');
            event.preventDefault();
        }
    });
}
