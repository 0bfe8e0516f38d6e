// The answer as rich text. The editor is fetched when it is first wanted; what is written stays in the plain
// field, too, so that drafts and everything else go on as they do.

const field = () => document.getElementById('reply-text');
const html = () => document.getElementById('reply-html');

function escaped(text) {
    const element = document.createElement('div');
    element.textContent = text;
    return element.innerHTML.replaceAll('\n', '<br>');
}

async function open(button) {
    await import('trix');
    if (html().value === '') {
        html().value = escaped(field().value);
    }
    const editor = document.createElement('trix-editor');
    editor.setAttribute('input', 'reply-html');
    editor.setAttribute('aria-label', document.querySelector('label[for=reply-text]').textContent);
    editor.id = 'reply-rich';
    field().hidden = true;
    field().before(editor);
    editor.addEventListener('trix-file-accept', (event) => {
        // Pictures and files go along as files.
        event.preventDefault();
    });
    editor.addEventListener('trix-change', () => {
        field().value = editor.editor.getDocument().toString().trimEnd();
        field().dispatchEvent(new Event('input', { bubbles: true }));
    });
    button.setAttribute('aria-pressed', 'true');
    editor.focus();
}

function close(button) {
    document.getElementById('reply-rich').remove();
    document.querySelector('#reply-form trix-toolbar')?.remove();
    html().value = '';
    field().hidden = false;
    field().focus();
    field().dispatchEvent(new Event('input', { bubbles: true }));
    button.setAttribute('aria-pressed', 'false');
}

export function listenToRichText() {
    const button = document.querySelector('[data-rich-text]');
    document.addEventListener('click', (event) => {
        const pressed = event.target.closest('[data-rich-text]');
        if (pressed) {
            document.getElementById('reply-rich') ? close(pressed) : open(pressed);
        }
    });
    // A draft that was rich text is so again.
    if (button && html()?.value) {
        open(button);
    }
}
