// Says to the others on a conversation that one is writing, and that one has left.

const STILL_WRITING = 4000;

export function listenToPresence() {
    const writes = () => document.getElementById('writes');
    let timer = null;
    document.addEventListener('input', (event) => {
        if (!writes() || !event.target.closest('#compose')) {
            return;
        }
        if (writes().value !== 'yes') {
            writes().value = 'yes';
            // At once, not at the next time of asking.
            window.htmx.trigger('#trail', 'writing');
        }
        clearTimeout(timer);
        timer = setTimeout(() => { writes().value = 'no'; }, STILL_WRITING);
    });
    window.addEventListener('pagehide', () => {
        const trail = document.getElementById('trail');
        const token = document.querySelector('#compose input[name=_token]')?.value;
        if (trail && token) {
            navigator.sendBeacon(trail.getAttribute('hx-get').replace(/changes.*/, 'left'), new URLSearchParams({ _token: token }));
        }
    });
}
