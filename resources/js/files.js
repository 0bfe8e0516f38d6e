// Files come into an answer by dragging them onto it, or by pasting a picture.

function add(files) {
    const input = document.getElementById('reply-files');
    if (!input || files.length === 0) {
        return false;
    }
    const transfer = new DataTransfer();
    [...files].forEach((file) => transfer.items.add(file));
    input.files = transfer.files;
    input.dispatchEvent(new Event('change', { bubbles: true }));
    return true;
}

export function listenToFiles() {
    const form = (event) => event.target.closest?.('#reply-form');
    document.addEventListener('dragover', (event) => {
        if (form(event)) {
            event.preventDefault();
            form(event).classList.add('takes-files');
        }
    });
    document.addEventListener('dragleave', (event) => form(event)?.classList.remove('takes-files'));
    document.addEventListener('drop', (event) => {
        const into = form(event);
        if (into && event.dataTransfer.files.length > 0) {
            event.preventDefault();
            into.classList.remove('takes-files');
            add(event.dataTransfer.files);
        }
    });
    document.addEventListener('paste', (event) => {
        if (form(event) && event.clipboardData.files.length > 0 && add(event.clipboardData.files)) {
            event.preventDefault();
        }
    });
}
