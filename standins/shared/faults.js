// What can be made to go wrong with a service, each so many times or until it is switched off.
export const FAULTS = {
    error: 'answer requests with 500',
    busy: 'answer requests with 429 and Retry-After',
    hang: 'take requests and never answer',
    answer_late: 'do what is asked, and answer after forty seconds',
    answer_lost: 'do what is asked, and break off before the answer',
    webhook_lost: 'lose notifications',
    webhook_twice: 'send notifications twice',
    webhook_late: 'hold notifications back and send them in the wrong order',
    webhook_forged: 'sign notifications with a wrong secret',
    webhook_old: 'send notifications with a time of an hour ago',
};

export class Faults {
    #left = new Map();

    // times: how often, or Infinity; 0 switches it off.
    set(kind, times) {
        if (!(kind in FAULTS)) {
            throw new Error(`There is no fault '${kind}'. There are: ${Object.keys(FAULTS).join(', ')}.`);
        }
        if (times > 0) {
            this.#left.set(kind, times);
        } else {
            this.#left.delete(kind);
        }
    }

    clear() {
        this.#left.clear();
    }

    is(kind) {
        return this.#left.has(kind);
    }

    // Whether it goes wrong this time; counts it.
    strikes(kind) {
        const left = this.#left.get(kind) ?? 0;
        if (left <= 0) {
            return false;
        }
        this.set(kind, left - 1);
        return true;
    }

    describe() {
        return Object.fromEntries([...this.#left].map(([kind, left]) => [kind, left === Infinity ? 'until switched off' : left]));
    }
}
