import htmx from 'htmx.org';

// The morph extension looks for it here while it loads.
window.htmx = htmx;
