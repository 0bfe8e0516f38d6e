// Tells whoever asked for it what happened: the event as JSON, with the time and a signature
// (hexadecimal HMAC-SHA-256 of time, dot and body). Tried again with growing pauses, then given up:
// what was missed can be read from /v1/events.
import { createHmac } from 'node:crypto';

const PAUSES = [1, 3, 8, 20];

export class Webhooks {
    #held = [];
    #timer = null;

    constructor(name, faults) {
        this.header = name;
        this.faults = faults;
        this.last = [];
    }

    send(subscription, event) {
        if (!subscription || this.faults.strikes('webhook_lost')) {
            return;
        }
        const times = this.faults.strikes('webhook_twice') ? 2 : 1;
        for (let time = 0; time < times; time++) {
            if (this.faults.strikes('webhook_late')) {
                this.#held.push([subscription, event]);
                this.#timer ??= setTimeout(() => this.#release(), 1500);
            } else {
                this.#attempt(subscription, event, 0);
            }
        }
    }

    #release() {
        this.#timer = null;
        for (const [subscription, event] of this.#held.splice(0).reverse()) {
            this.#attempt(subscription, event, 0);
        }
    }

    async #attempt(subscription, event, tried) {
        const body = JSON.stringify(event);
        const time = String(Math.floor(Date.now() / 1000) - (this.faults.strikes('webhook_old') ? 3600 : 0));
        const secret = this.faults.strikes('webhook_forged') ? 'not the secret' : subscription.secret;
        let said;
        try {
            const response = await fetch(subscription.url, {
                method: 'POST',
                headers: {
                    'content-type': 'application/json',
                    [`${this.header}-Time`]: time,
                    [`${this.header}-Signature`]: createHmac('sha256', secret).update(`${time}.${body}`).digest('hex'),
                },
                body,
                signal: AbortSignal.timeout(15_000),
            });
            said = response.status;
            await response.arrayBuffer();
        } catch (error) {
            said = error.cause?.code ?? error.name;
        }
        this.last = [{ at: new Date().toISOString(), event: event.id, said }, ...this.last].slice(0, 20);
        const isRefused = typeof said === 'number' && said < 500 && said !== 429;
        if (!isRefused && tried < PAUSES.length) {
            setTimeout(() => this.#attempt(subscription, event, tried + 1), PAUSES[tried] * 1000);
        }
    }
}
