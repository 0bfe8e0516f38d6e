import assert from 'node:assert/strict';
import { spawn } from 'node:child_process';
import { createHmac } from 'node:crypto';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, before, test } from 'node:test';
import { fileURLToPath } from 'node:url';

// A simulated service, in a process and with data of its own, asked over HTTP as the application asks it.
const folder = mkdtempSync(path.join(tmpdir(), 'standin-'));
const data = path.join(folder, 'pennon.json');
const standin = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../../standins/pennon/server.js');
const KEY = 'key-brindlekites';
let port;
let service;

async function freePort() {
    const server = createServer().listen(0, '127.0.0.1');
    await once(server, 'listening');
    const { port: free } = server.address();
    server.close();
    await once(server, 'close');
    return free;
}

async function start() {
    service = spawn('node', [standin], { env: { ...process.env, STANDIN_PORT: String(port), STANDIN_DATA: data, STANDIN_KEY: 'key', STANDIN_RATE: '60' }, stdio: 'inherit' });
    for (let tries = 0; tries < 100; tries += 1) {
        try {
            await fetch(`http://127.0.0.1:${port}/look`);
            return;
        } catch {
            await new Promise((go) => { setTimeout(go, 50); });
        }
    }
    throw new Error('The stand-in does not answer.');
}

async function stop() {
    service.kill();
    await once(service, 'exit');
}

const api = (address, { key = KEY, method = 'GET', body, headers = {} } = {}) => fetch(`http://127.0.0.1:${port}/v1${address}`, {
    method, headers: { authorization: `Bearer ${key}`, 'content-type': 'application/json', ...headers }, body: body === undefined ? undefined : (typeof body === 'string' ? body : JSON.stringify(body)),
});
const act = async (what, values) => (await fetch(`http://127.0.0.1:${port}/act/${what}`, { method: 'POST', body: JSON.stringify(values), headers: { accept: 'application/json', 'content-type': 'application/json' } })).json();
const fault = (kind, times) => fetch(`http://127.0.0.1:${port}/faults`, { method: 'POST', body: JSON.stringify({ kind, times: String(times) }), headers: { accept: 'application/json', 'content-type': 'application/json' } });
const events = async (after = '') => (await api(`/events?after=${after}`)).json();

before(async () => {
    port = await freePort();
    await start();
});
after(async () => {
    await stop();
    rmSync(folder, { recursive: true });
});

test('only who has a key is answered, and is told whose it is', async () => {
    assert.equal((await api('/account', { key: 'another' })).status, 401);
    assert.deepEqual(await (await api('/account')).json(), { account: '@brindlekites', service: 'Pennon' });
    assert.equal((await api('/nothing')).status, 404);
});

test('events are read on from where one stopped, in pages, each account its own', async () => {
    const { next } = await events();
    for (const number of [1, 2, 3]) {
        await act('post', { author: '@ana', name: 'Ana', text: `@brindlekites question ${number}` });
    }
    const first = await (await api(`/events?after=${next}&limit=2`)).json();
    assert.equal(first.events.length, 2);
    assert.equal(first.more, true);
    const second = await (await api(`/events?after=${first.next}&limit=2`)).json();
    assert.deepEqual([...first.events, ...second.events].map(({ data: { post } }) => post.text), [1, 2, 3].map((number) => `@brindlekites question ${number}`));
    assert.equal(second.more, false);
    assert.deepEqual((await (await api(`/events?after=${second.next}`)).json()).events, []);
    const others = await (await api(`/events?after=${next}`, { key: 'key-brindletrade' })).json();
    assert.deepEqual(others.events, []);
});

test('a body that is no JSON, or too large, is refused, and the service goes on', async () => {
    assert.equal((await api('/webhook', { method: 'PUT', body: '{' })).status, 400);
    assert.equal((await api('/webhook', { method: 'PUT', body: { url: 'ftp://x', secret: 'x'.repeat(20) } })).status, 422);
    assert.equal((await api('/webhook', { method: 'PUT', body: { url: 'http://x', secret: 'short' } })).status, 422);
    assert.equal((await api('/webhook', { method: 'PUT', body: 'x'.repeat(2_000_001) })).status, 413);
    assert.equal((await api('/account')).status, 200);
});

test('who subscribed is told, signed over the time and the body', async () => {
    const heard = [];
    const listener = createServer(async (request, response) => {
        const chunks = [];
        for await (const chunk of request) {
            chunks.push(chunk);
        }
        heard.push({ headers: request.headers, body: Buffer.concat(chunks).toString() });
        response.end('{}');
    }).listen(0, '127.0.0.1');
    await once(listener, 'listening');
    const secret = 'a secret of twenty letters';
    assert.equal((await api('/webhook', { method: 'PUT', body: { url: `http://127.0.0.1:${listener.address().port}/hear`, secret } })).status, 200);
    await act('post', { author: '@ana', name: 'Ana', text: '@brindlekites do you hear me?' });
    for (let tries = 0; tries < 100 && heard.length === 0; tries += 1) {
        await new Promise((go) => { setTimeout(go, 20); });
    }
    const [{ headers, body }] = heard;
    assert.equal(JSON.parse(body).data.post.text, '@brindlekites do you hear me?');
    assert.equal(headers['pennon-signature'], createHmac('sha256', secret).update(`${headers['pennon-time']}.${body}`).digest('hex'));
    assert.equal((await api('/webhook', { method: 'DELETE' })).status, 200);
    listener.close();
});

test('faults strike as often as they were set, and are over then', async () => {
    await fault('error', 2);
    assert.deepEqual([(await api('/account')).status, (await api('/account')).status, (await api('/account')).status], [500, 500, 200]);
    await fault('busy', 1);
    const busy = await api('/account');
    assert.equal(busy.status, 429);
    assert.equal(busy.headers.get('retry-after'), '2');
    const unknown = await fault('explode', 1);
    assert.equal(unknown.ok, false);
    assert.equal((await api('/account')).status, 200);
});

test('what is said on a page of its own is escaped', async () => {
    await act('post', { author: '@x', name: '<script>alert(1)</script>', text: '<b>bold</b> @brindlekites' });
    const page = await (await fetch(`http://127.0.0.1:${port}/`)).text();
    assert.ok(!page.includes('<script>alert(1)'));
    assert.ok(!page.includes('<b>bold</b>'));
});

test('what was done is still there after it was stopped', async () => {
    const before = (await (await fetch(`http://127.0.0.1:${port}/look`)).json()).eventCount;
    assert.ok(before > 0);
    await stop();
    JSON.parse(readFileSync(data, 'utf8'));
    await start();
    assert.equal((await (await fetch(`http://127.0.0.1:${port}/look`)).json()).eventCount, before);
});

test('whoever asks too often is told to come back', async () => {
    const statuses = await Promise.all(Array.from({ length: 80 }, () => api('/account').then(({ status }) => status)));
    assert.ok(statuses.includes(200));
    assert.ok(statuses.includes(429));
});
