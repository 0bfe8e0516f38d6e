// How a text asks for a template, and where the text of one leaves something to be filled in. Without the page, so that
// it can be tried by itself.

const ASKED = /(?:^|[\s(])(;([^;\n]{0,40}))$/u;
const GAP = /\{\{[^{}]*\}\}/u;

// The `;` before the cursor with the letters behind it; null where there is none.
export function askedTemplate(text, at) {
    const found = text.slice(0, at).match(ASKED);
    return found && { from: at - found[1].length, to: at, letters: found[2] };
}

// What begins to ask at the cursor: `;`, apart from a word before it.
export const askingSign = (text, at) => (at === 0 || /\s/u.test(text[at - 1]) ? ';' : ' ;');

// Whether nothing is written but the asking itself.
export const isOnlyAsking = (text) => text.trim().replace(/^;.*$/u, '') === '';

// Where the first gap begins and ends; null where there is none.
export function gapIn(text) {
    const found = text.match(GAP);
    return found && { from: found.index, to: found.index + found[0].length };
}

// Addresses are added to those that are there, each once.
export function joinAddresses(there, added) {
    const all = `${there},${added}`.split(/[,;]/u).map((one) => one.trim()).filter(Boolean);
    return all.filter((one, index) => all.findIndex((other) => other.toLowerCase() === one.toLowerCase()) === index).join(', ');
}
