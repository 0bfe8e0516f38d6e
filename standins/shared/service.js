// What every simulated service has: an API under /v1 with keys, paging, a rate limit and idempotency
// keys, a log of events, signed notifications, a console page on which a person acts as a customer,
// and faults on demand. A service adds what it is about.
import { createServer } from 'node:http';
import { randomUUID } from 'node:crypto';
import { FAULTS, Faults } from './faults.js';
import { actionForm, page, table } from './pages.js';
import { openStore } from './store.js';
import { Webhooks } from './webhooks.js';

const LARGEST_BODY = 2_000_000;
const LATE_MILLISECONDS = Number(process.env.STANDIN_LATE ?? 40_000);
const REQUESTS_IN_TEN_SECONDS = Number(process.env.STANDIN_RATE ?? 400);

export class Refused extends Error {
    constructor(status, error, message) {
        super(message);
        this.status = status;
        this.error = error;
    }
}

export const refuse = (status, error, message) => { throw new Refused(status, error, message); };

async function readBody(request) {
    const chunks = [];
    let size = 0;
    for await (const chunk of request) {
        size += chunk.length;
        if (size > LARGEST_BODY) {
            refuse(413, 'too_large', 'The body is larger than two megabytes.');
        }
        chunks.push(chunk);
    }
    return Buffer.concat(chunks).toString('utf8');
}

function parse(request, body) {
    if (body === '') {
        return {};
    }
    if ((request.headers['content-type'] ?? '').startsWith('application/x-www-form-urlencoded')) {
        return Object.fromEntries(new URLSearchParams(body));
    }
    try {
        const values = JSON.parse(body);
        if (typeof values === 'object' && values !== null) {
            return values;
        }
    } catch {
        // Said below.
    }
    return refuse(400, 'bad_json', 'The body is not a JSON object.');
}

export class Service {
    #requests = new Map();

    constructor({ name, header, seed, accounts }) {
        this.name = name;
        this.faults = new Faults();
        this.webhooks = new Webhooks(header, this.faults);
        // accounts: what an API key belongs to.
        this.accounts = accounts;
        const keys = process.env.STANDIN_KEY ?? 'kites';
        this.keys = new Map(accounts.map((account) => [`${keys}-${account.replace(/\W/g, '')}`, account]));
        this.store = openStore(process.env.STANDIN_DATA, () => ({ events: [], webhooks: {}, done: {}, ...seed() }));
        this.api = new Map();
        this.actions = new Map();
        this.describe = () => '';
        this.on('GET', '/v1/events', (request) => this.#events(request));
        this.on('PUT', '/v1/webhook', ({ account, body }) => this.#subscribe(account, body));
        this.on('DELETE', '/v1/webhook', ({ account }) => this.#unsubscribe(account));
        this.on('GET', '/v1/account', ({ account }) => ({ account, service: this.name }));
    }

    get data() {
        return this.store.data;
    }

    on(method, path, answer) {
        this.api.set(`${method} ${path}`, { pattern: new RegExp(`^${path.replaceAll(/:(\w+)/g, '(?<$1>[^/]+)')}$`), method, answer });
    }

    // Something that a person can do on the console page.
    act(name, legend, fields, run) {
        this.actions.set(name, { legend, fields, run });
    }

    // Remembers an event for one account and tells whoever asked for it.
    emit(account, type, data, at = new Date().toISOString()) {
        const event = { id: `e${this.data.events.length + 1}`, seq: this.data.events.length + 1, type, account, at, data: structuredClone(data) };
        this.data.events.push(event);
        this.store.changed();
        this.webhooks.send(this.data.webhooks[account], event);
        return event;
    }

    nextId(prefix) {
        this.data.count = (this.data.count ?? 1000) + 1;
        this.store.changed();
        return `${prefix}${this.data.count}`;
    }

    // An idempotency key makes a request that is sent again do nothing new. Each account has keys of its own.
    once({ account, headers }, run) {
        const key = headers['idempotency-key'];
        if (!key) {
            return run();
        }
        const mine = `${account} ${key}`;
        if (!Object.hasOwn(this.data.done, mine)) {
            this.data.done[mine] = run();
        }
        this.store.changed();
        return this.data.done[mine];
    }

    #events({ account, query }) {
        const after = Number(query.get('after') || 0);
        const limit = Math.min(Number(query.get('limit') || 100), 200);
        const mine = this.data.events.filter((event) => event.seq > after && event.account === account);
        const shown = mine.slice(0, limit);
        return { events: shown, next: String(shown.at(-1)?.seq ?? after), more: mine.length > limit };
    }

    #subscribe(account, { url, secret }) {
        if (!/^https?:\/\//.test(url ?? '') || (secret ?? '').length < 16) {
            refuse(422, 'bad_webhook', 'A webhook needs a url and a secret of at least 16 characters.');
        }
        this.data.webhooks[account] = { url, secret };
        this.store.changed();
        return { url };
    }

    #unsubscribe(account) {
        delete this.data.webhooks[account];
        this.store.changed();
        return {};
    }

    #limit(key) {
        const now = Date.now();
        const recent = (this.#requests.get(key) ?? []).filter((at) => at > now - 10_000);
        recent.push(now);
        this.#requests.set(key, recent);
        return recent.length > REQUESTS_IN_TEN_SECONDS;
    }

    async #answerApi(request, url) {
        const key = (request.headers.authorization ?? '').replace(/^Bearer /, '');
        const account = this.keys.get(key);
        if (account === undefined) {
            refuse(401, 'unknown_key', 'The API key is not known here.');
        }
        if (this.faults.strikes('error')) {
            refuse(500, 'broken', 'Something broke on our side.');
        }
        if (this.faults.strikes('busy') || this.#limit(key)) {
            refuse(429, 'too_many', 'Too many requests. Come back in two seconds.');
        }
        for (const { pattern, method, answer } of this.api.values()) {
            const found = method === request.method && pattern.exec(url.pathname);
            if (found) {
                const body = ['POST', 'PUT'].includes(method) ? parse(request, await readBody(request)) : {};
                const parameters = Object.fromEntries(Object.entries(found.groups ?? {}).map(([name, value]) => [name, decodeURIComponent(value)]));
                const result = await answer({ account, query: url.searchParams, body, headers: request.headers, ...parameters });
                this.store.changed();
                return result;
            }
        }
        return refuse(404, 'unknown_path', `There is no ${request.method} ${url.pathname} here.`);
    }

    async #answerConsole(request, url) {
        const wantsJson = (request.headers.accept ?? '').includes('application/json');
        if (request.method === 'POST' && url.pathname === '/faults') {
            const { kind, times } = parse(request, await readBody(request));
            kind === 'none' ? this.faults.clear() : this.faults.set(kind, times === '' || times === undefined ? Infinity : Number(times));
            return wantsJson ? this.faults.describe() : this.#faultPage('Set.');
        }
        if (url.pathname === '/faults') {
            return wantsJson ? { ...this.faults.describe(), last: this.webhooks.last } : this.#faultPage();
        }
        if (request.method === 'POST' && url.pathname.startsWith('/act/')) {
            const action = this.actions.get(url.pathname.slice(5)) ?? refuse(404, 'unknown_action', 'There is no such action.');
            const result = await action.run(parse(request, await readBody(request)));
            this.store.changed();
            return wantsJson ? result : this.#consolePage('Done.');
        }
        if (request.method === 'GET' && url.pathname === '/look') {
            const { events, webhooks, done, ...rest } = this.data;
            return { ...rest, eventCount: events.length };
        }
        return url.pathname === '/' ? this.#consolePage() : refuse(404, 'unknown_page', 'There is no such page.');
    }

    #consolePage(said = '') {
        const forms = [...this.actions].map(([name, { legend, fields }]) => actionForm(name, legend, typeof fields === 'function' ? fields() : fields));
        return page(this.name, 'Act as a customer', `<div class="columns">${forms.join('')}</div>${this.describe()}`, said);
    }

    #faultPage(said = '') {
        const kinds = Object.entries(FAULTS).map(([kind, text]) => `<option value="${kind}">${kind}: ${text}</option>`);
        const form = `<form method="post" action="/faults"><fieldset><legend>Make something go wrong</legend>
            <label for="kind">What</label><select id="kind" name="kind"><option value="none">nothing any more</option>${kinds.join('')}</select>
            <label for="times">How often (empty: until switched off)</label><input id="times" name="times"><button>Set</button></fieldset></form>`;
        const now = table(['Goes wrong now', 'How often still'], Object.entries(this.faults.describe()));
        const sent = table(['Notification sent at', 'Event', 'Answer'], this.webhooks.last.map(({ at, event, said: answer }) => [at, event, answer]));
        return page(this.name, 'Faults', form + now + sent, said);
    }

    listen() {
        const port = Number(process.env.STANDIN_PORT);
        createServer(async (request, response) => {
            const url = new URL(request.url, 'http://standin');
            const isApi = url.pathname.startsWith('/v1/');
            if (isApi && this.faults.strikes('hang')) {
                // The other side has to give up by itself.
                setTimeout(() => response.destroy(), 120_000).unref();
                return;
            }
            try {
                const answer = await (isApi ? this.#answerApi(request, url) : this.#answerConsole(request, url));
                if (isApi && this.faults.strikes('answer_lost')) {
                    response.destroy();
                    return;
                }
                if (isApi && this.faults.strikes('answer_late')) {
                    await new Promise((go) => { setTimeout(go, LATE_MILLISECONDS); });
                }
                const isPage = typeof answer === 'string';
                response.writeHead(200, { 'content-type': isPage ? 'text/html; charset=utf-8' : 'application/json' });
                response.end(isPage ? answer : JSON.stringify(answer));
            } catch (error) {
                const status = error.status ?? 422;
                response.writeHead(status, { 'content-type': 'application/json', ...(status === 429 ? { 'retry-after': '2' } : {}) });
                response.end(JSON.stringify({ error: error.error ?? 'refused', message: error.message }));
            }
        }).listen(port, '127.0.0.1');
    }
}

export { randomUUID };
