import assert from 'node:assert/strict';
import { createHmac } from 'node:crypto';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { after, before, test } from 'node:test';
import { Standin, until } from './standin.js';

// What all simulated services have in common, seen on one of them.
const pennon = new Standin('pennon', '@brindlekites', { STANDIN_RATE: '60' });
const api = pennon.api.bind(pennon);
const act = pennon.act.bind(pennon);
const fault = pennon.fault.bind(pennon);
const events = pennon.events.bind(pennon);

before(() => pennon.start());
after(() => pennon.end());

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
    await until('the notification', () => heard.length > 0);
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
    const page = await pennon.page();
    assert.ok(!page.includes('<script>alert(1)'));
    assert.ok(!page.includes('<b>bold</b>'));
});

test('what was done is still there after it was stopped', async () => {
    const before = (await pennon.look()).eventCount;
    assert.ok(before > 0);
    await pennon.stop();
    JSON.parse(readFileSync(pennon.data, 'utf8'));
    await pennon.start();
    assert.equal((await pennon.look()).eventCount, before);
});

test('whoever asks too often is told to come back', async () => {
    const statuses = await Promise.all(Array.from({ length: 80 }, () => api('/account').then(({ status }) => status)));
    assert.ok(statuses.includes(200));
    assert.ok(statuses.includes(429));
});
