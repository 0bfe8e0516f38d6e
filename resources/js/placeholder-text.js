// What a text with placeholders asks for at the cursor, and what stands there after one was chosen. Without the page,
// so that it can be tried by itself.

const ASKED = /\{\{\s*(?:if\s+(?:not\s+)?|else\s+if\s+)?([\w.]*)$/u;
const INSIDE = /\{\{[^{}]*$/u;
const MOST = 7;

// The letters of a placeholder before the cursor, and where they begin; null where none is being written.
export function askedPlaceholder(text, at) {
    const found = text.slice(0, at).match(ASKED);
    return found ? { letters: found[1].toLowerCase(), from: at - found[1].length } : null;
}

// The names that fit the letters, but for one that is written out already.
export const fittingPlaceholders = (names, letters) => names.filter((name) => name.includes(letters) && name !== letters).slice(0, MOST);

// What to put in place of what lies between `from` and `to`. Inside braces the rest of the name is replaced with it, and
// what follows it, a fallback or the end, stays.
export function putPlaceholder(text, from, to, name) {
    const before = text.slice(0, from);
    if (!INSIDE.test(before)) {
        return { text: `{{ ${name} }}`, from, to };
    }
    const end = to + text.slice(to).match(/^[\w.]*/u)[0].length;
    const after = text.slice(end);
    const ending = /^[^{}]*\}\}/u.test(after) ? (after.startsWith('}}') ? ' ' : '') : ' }}';
    return { text: `${before.endsWith('{') ? ' ' : ''}${name}${ending}`, from, to: end };
}
