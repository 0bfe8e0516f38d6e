// What the SMTP listener is told to do wrong, how often still, and to whom.
export const KINDS = {
    none: 'Works as it should',
    refuse: 'Refuse every connection (421)',
    delay: 'Delay the answer to each message',
    drop: 'Drop the connection half-way through a message',
    temporary: 'Answer 451 to each message: try again later',
    permanent: 'Answer 550 to each recipient: no such mailbox',
    sender: 'Answer 553 to senders with a detail (care+…@): not your address',
    details: 'Lose what is written to addresses with a detail (care+…@)',
};

export class Faults {
    #kind = 'none';
    #times = null;
    seconds = 0;

    set(kind, times = null, seconds = 0) {
        if (!(kind in KINDS)) {
            throw new Error(`There is no fault “${kind}”. There are: ${Object.keys(KINDS).join(', ')}.`);
        }
        this.#kind = kind;
        this.#times = Number.isFinite(times) && times > 0 ? times : null;
        this.seconds = Math.min(Math.max(Number(seconds) || 0, 0), 600);
    }

    // Whether to do this wrong now. Counts down where it was to happen only so many times.
    strikes(kind) {
        if (this.#kind !== kind) {
            return false;
        }
        if (this.#times !== null && --this.#times <= 0) {
            this.#kind = 'none';
            this.#times = null;
        }
        return true;
    }

    describe() {
        return { kind: this.#kind, times: this.#times, seconds: this.seconds };
    }
}
