// A simulated service in a process and with data of its own, asked over HTTP as the application asks it.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const here = path.dirname(fileURLToPath(import.meta.url));
const JSON_BOTH = { accept: 'application/json', 'content-type': 'application/json' };

export async function freePort() {
    const server = createServer().listen(0, '127.0.0.1');
    await once(server, 'listening');
    const { port } = server.address();
    server.close();
    await once(server, 'close');
    return port;
}

// Waits until something is so, looking again and again; for what another process does.
export async function until(what, isSo) {
    for (let tries = 0; tries < 250; tries += 1) {
        const found = await isSo();
        if (found) {
            return found;
        }
        await new Promise((go) => { setTimeout(go, 20); });
    }
    throw new Error(`Waited in vain for ${what}.`);
}

export class Standin {
    #process;

    // account: whose key is used where none is said.
    constructor(name, account, environment = {}) {
        this.name = name;
        this.key = `key-${account.replace(/\W/g, '')}`;
        this.environment = environment;
        this.folder = mkdtempSync(path.join(tmpdir(), 'standin-'));
        this.data = path.join(this.folder, `${name}.json`);
    }

    async start() {
        this.port ??= await freePort();
        this.#process = spawn('node', [path.join(here, `../../standins/${this.name}/server.js`)], {
            env: { ...process.env, STANDIN_PORT: String(this.port), STANDIN_DATA: this.data, STANDIN_KEY: 'key', ...this.environment },
            stdio: 'inherit',
        });
        await until(`${this.name} to answer`, () => fetch(`http://127.0.0.1:${this.port}/look`).then(() => true, () => false));
    }

    async stop() {
        this.#process.kill();
        await once(this.#process, 'exit');
    }

    async end() {
        await this.stop();
        rmSync(this.folder, { recursive: true });
    }

    api(address, { key = this.key, method = 'GET', body, headers = {} } = {}) {
        return fetch(`http://127.0.0.1:${this.port}/v1${address}`, {
            method,
            headers: { authorization: `Bearer ${key}`, 'content-type': 'application/json', ...headers },
            body: body === undefined || typeof body === 'string' ? body : JSON.stringify(body),
        });
    }

    post(address, body, idempotencyKey = null) {
        return this.api(address, { method: 'POST', body, headers: idempotencyKey === null ? {} : { 'idempotency-key': idempotencyKey } });
    }

    // What a person does on the console page; the answer, and its status beside it.
    async act(what, values) {
        const response = await fetch(`http://127.0.0.1:${this.port}/act/${what}`, { method: 'POST', body: JSON.stringify(values), headers: JSON_BOTH });
        return { ...await response.json(), status: response.status };
    }

    async fault(kind, times) {
        return fetch(`http://127.0.0.1:${this.port}/faults`, { method: 'POST', body: JSON.stringify({ kind, times: String(times) }), headers: JSON_BOTH });
    }

    async faults() {
        return (await fetch(`http://127.0.0.1:${this.port}/faults`, { headers: JSON_BOTH })).json();
    }

    async look() {
        return (await fetch(`http://127.0.0.1:${this.port}/look`)).json();
    }

    async page(address = '/') {
        return (await fetch(`http://127.0.0.1:${this.port}${address}`)).text();
    }

    async events(from = '', limit = 200) {
        return (await this.api(`/events?after=${from}&limit=${limit}`)).json();
    }

    // The events that what is done here brings.
    async eventsOf(doing) {
        let from = '';
        for (let more = true; more;) {
            ({ next: from, more } = await this.events(from));
        }
        await doing();
        return (await this.events(from)).events;
    }
}
