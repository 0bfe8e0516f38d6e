// Where the arrows lead on a board, whose columns hold so many cards each. Without the page, so that it can be tried by
// itself.

export const ARROWS = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

// From a card, given by its column and its place there, to another; null where there is none that way. Empty columns are
// passed over; in a shorter one its last card is the nearest.
export function stepOnBoard(counts, [column, place], [across, along]) {
    if (across === 0) {
        const next = place + along;
        return next >= 0 && next < counts[column] ? [column, next] : null;
    }
    for (let next = column + across; next >= 0 && next < counts.length; next += across) {
        if (counts[next] > 0) {
            return [next, Math.min(place, counts[next] - 1)];
        }
    }
    return null;
}
