// What a cairn looks like at a moment. Times in seconds since 1970.

// Four stones, one fewer for each time that has come; none once it is missed.
export function stonesLeft(falls, due, now) {
    return now > due ? 0 : 4 - Math.min(3, falls.filter((at) => at <= now).length);
}

// As the server writes it: 41 min, 2 h 05, 5 h, 3 d, with a minus sign where the time has passed.
export function timeLeft(due, now) {
    const missed = now > due;
    const minutes = Math.floor(Math.abs(due - now) / 60);
    const hours = Math.floor(minutes / 60);
    const text = minutes < 60 && !missed
        ? `${minutes} min`
        : minutes >= 48 * 60
            ? `${Math.floor(minutes / (24 * 60))} d`
            : minutes >= 5 * 60 && minutes % 60 === 0
                ? `${hours} h`
                : `${hours} h ${String(minutes % 60).padStart(2, '0')}`;
    return (missed ? '−' : '') + text;
}

export function inWords(kind, stones, due, now) {
    const left = timeLeft(due, now);
    return stones === 0 ? `${kind} missed by ${left.replace('−', '')}` : `${kind}: ${stones} of 4 stones left, due in ${left}`;
}
