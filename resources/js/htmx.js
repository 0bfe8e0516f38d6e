import './htmx-global.js';
import { Idiomorph } from 'idiomorph/htmx';

// A menu or fold that is open stays open when the part around it is shown anew.
Idiomorph.defaults.callbacks.beforeAttributeUpdated = (name, element) => !(name === 'open' && element.tagName === 'DETAILS');

// Pages that nobody looks at do not ask for news.
document.addEventListener('htmx:beforeRequest', (event) => {
    const asksForNews = event.detail.pathInfo.requestPath.includes('/changes?');
    if (asksForNews && document.visibilityState === 'hidden') {
        event.preventDefault();
    }
});

// Signed out elsewhere, or the page was open too long: the page says so when it is loaded anew.
document.addEventListener('htmx:responseError', (event) => {
    if ([401, 419].includes(event.detail.xhr.status)) {
        window.location.reload();
    }
});
