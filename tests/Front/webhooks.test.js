import assert from 'node:assert/strict';
import { createHmac } from 'node:crypto';
import { once } from 'node:events';
import { createServer } from 'node:http';
import { after, afterEach, before, test } from 'node:test';
import { Standin, until } from './standin.js';

// What a simulated service tells whoever subscribed, and what goes wrong with that on demand.
const pennon = new Standin('pennon', '@brindlekites');
const SECRET = 'a secret of twenty letters';
let heard = [];
let answers = [];
let listener;

before(async () => {
    await pennon.start();
    listener = createServer(async (request, response) => {
        const chunks = [];
        for await (const chunk of request) {
            chunks.push(chunk);
        }
        heard.push({ headers: request.headers, text: Buffer.concat(chunks).toString() });
        response.writeHead(answers.shift() ?? 200);
        response.end('{}');
    }).listen(0, '127.0.0.1');
    await once(listener, 'listening');
    await pennon.api('/webhook', { method: 'PUT', body: { url: `http://127.0.0.1:${listener.address().port}/hear`, secret: SECRET } });
});
after(async () => {
    await pennon.end();
    listener.close();
});
afterEach(async () => {
    await pennon.fault('none', '');
    heard = [];
    answers = [];
});

const say = (text) => pennon.act('post', { author: '@ana', name: 'Ana', text: `@brindlekites ${text}` });
const texts = () => heard.map(({ text }) => JSON.parse(text).data.post.text.slice(14));
const isSigned = ({ headers, text }) => headers['pennon-signature'] === createHmac('sha256', SECRET).update(`${headers['pennon-time']}.${text}`).digest('hex');
const secondsOld = ({ headers }) => Math.abs(Date.now() / 1000 - Number(headers['pennon-time']));

test('each event is told once, rightly signed, with the time of now', async () => {
    await say('one');
    await say('two');
    await until('both', () => heard.length === 2);
    assert.deepEqual(texts().sort(), ['one', 'two']);
    assert.ok(heard.every(isSigned));
    assert.ok(heard.every((one) => secondsOld(one) < 60));
});

test('what is lost is lost to the listener alone: it can still be read', async () => {
    await pennon.fault('webhook_lost', 1);
    const events = await pennon.eventsOf(() => say('lost'));
    await say('found');
    await until('the second', () => heard.length === 1);
    assert.deepEqual(texts(), ['found']);
    assert.equal(events[0].data.post.text, '@brindlekites lost');
});

test('what is told twice is the same event', async () => {
    await pennon.fault('webhook_twice', 1);
    await say('twice');
    await until('both', () => heard.length === 2);
    const [first, second] = heard.map(({ text }) => JSON.parse(text));
    assert.deepEqual(first, second);
});

test('what is held back comes after what followed, the last first', async () => {
    await pennon.fault('webhook_late', 2);
    await say('first');
    await say('second');
    await say('third');
    await until('all three', () => heard.length === 3);
    assert.equal(texts()[0], 'third');
    assert.deepEqual(texts().slice(1).sort(), ['first', 'second']);
});

test('a wrong signature and an old time are each as wrong as they say, once', async () => {
    await pennon.fault('webhook_forged', 1);
    await say('forged');
    await until('the forged one', () => heard.length === 1);
    await pennon.fault('webhook_old', 1);
    await say('old');
    await until('the old one', () => heard.length === 2);
    await say('right');
    await until('the right one', () => heard.length === 3);
    assert.deepEqual(heard.map(isSigned), [false, true, true]);
    assert.ok(secondsOld(heard[1]) > 3000 && secondsOld(heard[2]) < 60);
});

test('a listener in trouble is told again, one who refuses is not', async () => {
    answers = [503, 429, 200];
    await say('again');
    await until('the third time', () => heard.length === 3);
    assert.deepEqual(texts(), ['again', 'again', 'again']);
    answers = [410];
    await say('refused');
    await until('the refusal', async () => (await pennon.faults()).last[0]?.said === 410);
    assert.equal(texts().filter((text) => text === 'refused').length, 1);
});

test('its console tells what it sent, and what was answered', async () => {
    answers = [418];
    await say('teapot');
    const { last } = await until('the answer', async () => { const faults = await pennon.faults(); return faults.last[0]?.said === 418 && faults; });
    assert.match(last[0].event, /^e\d+$/);
    assert.ok((await pennon.page('/faults')).includes('418'));
});

test('whoever has unsubscribed hears nothing more', async () => {
    await pennon.api('/webhook', { method: 'DELETE' });
    const before = heard.length;
    const events = await pennon.eventsOf(() => say('unheard'));
    assert.equal(events.length, 1);
    assert.equal(heard.length, before);
    await pennon.api('/webhook', { method: 'PUT', body: { url: `http://127.0.0.1:${listener.address().port}/hear`, secret: SECRET } });
});
