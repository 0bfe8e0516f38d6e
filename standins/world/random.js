// Chance from a seed: the same numbers every time (mulberry32).
export function random(seed) {
    let state = seed >>> 0;
    const next = () => {
        state = (state + 0x6d2b79f5) >>> 0;
        let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
        mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
        return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
    };
    return {
        below: (limit) => Math.floor(next() * limit),
        pick: (list) => list[Math.floor(next() * list.length)],
        chance: (share) => next() < share,
    };
}
