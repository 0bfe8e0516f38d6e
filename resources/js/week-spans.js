// The hours of one day: read from what was typed, and changed by drawing. Minutes since midnight, 0 to 1440.
export const DAY = 1440;
export const STEP = 15;

const SPAN = /^(\d{1,2})(?:[:.h](\d\d))?\s*(?:[–—-]|to)\s*(\d{1,2})(?:[:.h](\d\d))?$/u;

// What cannot be read yet is left out: somebody is still typing.
export function readSpans(text) {
    const spans = [];
    for (const part of text.split(/[,;]/)) {
        const found = SPAN.exec(part.trim());
        if (found) {
            const from = Number(found[1]) * 60 + Number(found[2] ?? 0);
            const to = Number(found[3]) * 60 + Number(found[4] ?? 0);
            if (from < to && to <= DAY) {
                spans.push([from, to]);
            }
        }
    }
    return spans;
}

const time = (minute) => `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;

export const writeSpans = (spans) => spans.map(([from, to]) => `${time(from)}–${time(to)}`).join(', ');

// In order, those that touch or overlap as one.
export function joinSpans(spans) {
    const joined = [];
    for (const [from, to] of [...spans].sort((one, other) => one[0] - other[0])) {
        const last = joined.at(-1);
        if (last && from <= last[1]) {
            last[1] = Math.max(last[1], to);
        } else {
            joined.push([from, to]);
        }
    }
    return joined;
}

const onStep = (minute) => Math.max(0, Math.min(DAY, Math.round(minute / STEP) * STEP));

// What a pointer that went down at one minute takes hold of: an edge, a whole span, or nothing.
export function heldAt(spans, minute, reach) {
    for (const [index, [from, to]] of spans.entries()) {
        const edge = Math.abs(minute - from) <= Math.abs(minute - to) ? 'from' : 'to';
        if (Math.abs(minute - (edge === 'from' ? from : to)) <= reach) {
            return { index, part: edge };
        }
    }
    const index = spans.findIndex(([from, to]) => minute > from && minute < to);
    return index === -1 ? null : { index, part: 'all' };
}

// The spans after the pointer went from one minute to another. A span that is drawn together to nothing is gone.
export function drawnSpans(spans, held, start, end) {
    if (held === null) {
        const [from, to] = [onStep(Math.min(start, end)), onStep(Math.max(start, end))];
        return from === to ? spans : joinSpans([...spans, [from, to]]);
    }
    const [from, to] = spans[held.index];
    const others = spans.filter((span, index) => index !== held.index);
    const by = held.part === 'all' ? Math.max(-from, Math.min(DAY - to, Math.round((end - start) / STEP) * STEP)) : 0;
    const moved = { all: () => [from + by, to + by], from: () => [onStep(end), to], to: () => [from, onStep(end)] }[held.part]();
    const sorted = moved[0] <= moved[1] ? moved : [moved[1], moved[0]];
    return sorted[0] === sorted[1] ? others : joinSpans([...others, sorted]);
}
