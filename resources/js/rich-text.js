// A text as rich text. The editor is fetched when it is first wanted; what is written stays in the plain
// field, too, so that drafts and everything else go on as they do.

// The button names the plain field; the rich text is kept in a hidden field beside it.
const partsOf = (button) => {
    const id = button.dataset.richText || 'reply-text';
    return {
        field: document.getElementById(id),
        html: document.getElementById(id === 'reply-text' ? 'reply-html' : `${id}-html`),
        editorId: id === 'reply-text' ? 'reply-rich' : `${id}-rich`,
    };
};

function escaped(text) {
    const element = document.createElement('div');
    element.textContent = text;
    return element.innerHTML.replaceAll('\n', '<br>');
}

export async function openRichText(button) {
    await import('trix');
    const { field, html, editorId } = partsOf(button);
    if (html.value === '') {
        html.value = escaped(field.value);
    }
    const editor = document.createElement('trix-editor');
    editor.setAttribute('input', html.id);
    editor.setAttribute('aria-label', document.querySelector(`label[for=${field.id}]`).textContent);
    editor.id = editorId;
    field.hidden = true;
    field.before(editor);
    editor.addEventListener('trix-file-accept', (event) => {
        // Pictures and files go along as files.
        event.preventDefault();
    });
    editor.addEventListener('trix-change', () => {
        field.value = editor.editor.getDocument().toString().trimEnd();
        field.dispatchEvent(new Event('input', { bubbles: true }));
    });
    button.setAttribute('aria-pressed', 'true');
    editor.focus();
}

function close(button) {
    const { field, html, editorId } = partsOf(button);
    const editor = document.getElementById(editorId);
    editor.toolbarElement?.remove();
    editor.remove();
    html.value = '';
    field.hidden = false;
    field.focus();
    field.dispatchEvent(new Event('input', { bubbles: true }));
    button.setAttribute('aria-pressed', 'false');
}

export function listenToRichText() {
    document.addEventListener('click', (event) => {
        const pressed = event.target.closest('[data-rich-text]');
        if (pressed) {
            document.getElementById(partsOf(pressed).editorId) ? close(pressed) : openRichText(pressed);
        }
    });
    // What was rich text when it was kept is so again.
    document.querySelectorAll('[data-rich-text]').forEach((button) => {
        if (partsOf(button).html?.value) {
            openRichText(button);
        }
    });
}
